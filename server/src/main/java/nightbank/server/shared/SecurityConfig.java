package nightbank.server.shared;

import jakarta.servlet.DispatcherType;
import jakarta.servlet.http.HttpServletRequest;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpMethod;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.AuthenticationEntryPoint;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.access.AccessDeniedHandler;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.csrf.CookieCsrfTokenRepository;
import org.springframework.security.web.csrf.CsrfTokenRepository;
import org.springframework.security.web.firewall.HttpFirewall;
import org.springframework.security.web.firewall.StrictHttpFirewall;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;

/** Session cookie and CSRF token; all of /api but the door itself asks who is there. */
@Configuration
class SecurityConfig {
  private static final String CONTENT =
      "default-src 'self'; img-src 'self' data: blob:; style-src 'self';"
          + " frame-ancestors 'none'; base-uri 'self'; form-action 'self'";

  private static final String PERMISSIONS =
      "camera=(self), geolocation=(self), microphone=(), usb=(), interest-cohort=()";

  /** Loggers show a token of their own. */
  private static final String DEVICES = "/api/devices/readings";

  @Bean
  SecurityFilterChain chain(
      HttpSecurity http,
      SecurityContextRepository contexts,
      CsrfTokenRepository tokens,
      AuthenticationEntryPoint nobody,
      AccessDeniedHandler notLetIn)
      throws Exception {
    return http.csrf(c -> c.spa().csrfTokenRepository(tokens).ignoringRequestMatchers(DEVICES))
        .securityContext(c -> c.securityContextRepository(contexts))
        .requestCache(c -> c.disable())
        .formLogin(f -> f.disable())
        .httpBasic(b -> b.disable())
        .logout(l -> l.disable())
        .headers(
            h ->
                h.contentSecurityPolicy(p -> p.policyDirectives(CONTENT))
                    .httpStrictTransportSecurity(
                        s -> s.includeSubDomains(false).requestMatcher(SecurityConfig::byTls))
                    .referrerPolicy(r -> r.policy(ReferrerPolicy.SAME_ORIGIN))
                    .permissionsPolicyHeader(p -> p.policy(PERMISSIONS)))
        .exceptionHandling(e -> e.authenticationEntryPoint(nobody).accessDeniedHandler(notLetIn))
        .authorizeHttpRequests(
            a ->
                a.dispatcherTypeMatchers(DispatcherType.ASYNC) // its request was let in before
                    .permitAll()
                    .requestMatchers(HttpMethod.GET, "/api/me")
                    .permitAll()
                    .requestMatchers(
                        HttpMethod.POST,
                        "/api/session",
                        "/api/session/link",
                        "/api/setup",
                        "/api/passwords",
                        "/api/people",
                        "/api/alarms/seen",
                        DEVICES)
                    .permitAll()
                    .requestMatchers("/api/**", "/v3/api-docs/**")
                    .authenticated()
                    .anyRequest()
                    .permitAll())
        .build();
  }

  /** Under the name of loopback the door in the clear must stay open. */
  private static boolean byTls(HttpServletRequest request) {
    return request.isSecure() && !request.getServerName().equals("localhost");
  }

  @Bean
  HttpFirewall noNul() {
    StrictHttpFirewall wall = new StrictHttpFirewall();
    wall.setAllowedParameterValues(v -> v.indexOf('\0') < 0);
    return wall;
  }

  @Bean
  CsrfTokenRepository tokens() {
    return CookieCsrfTokenRepository.withHttpOnlyFalse();
  }

  @Bean
  SecurityContextRepository contexts() {
    return new HttpSessionSecurityContextRepository();
  }

  @Bean
  PasswordEncoder passwords() {
    return new BCryptPasswordEncoder(12);
  }
}
