package nightbank.server.account;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Map;
import java.util.UUID;
import nightbank.server.shared.Problem;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.HandlerMapping;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/**
 * Before anything of a request is read, a holding is there only for those who belong to it. What
 * each of them may do there is asked where it is done.
 */
@Component
class HoldingGate implements HandlerInterceptor, WebMvcConfigurer {
  private final Access access;

  HoldingGate(Access access) {
    this.access = access;
  }

  @Override
  public void addInterceptors(InterceptorRegistry registry) {
    registry.addInterceptor(this).addPathPatterns("/api/holdings/*", "/api/holdings/*/**");
  }

  @Override
  public boolean preHandle(
      HttpServletRequest request, HttpServletResponse response, Object handler) {
    Object named = request.getAttribute(HandlerMapping.URI_TEMPLATE_VARIABLES_ATTRIBUTE);
    if (named instanceof Map<?, ?> map && map.get("holdingId") instanceof String id) {
      access.require(id(id), Role.GUEST);
    }
    return true;
  }

  private static UUID id(String text) {
    try {
      return UUID.fromString(text);
    } catch (IllegalArgumentException none) {
      throw Problem.notFound("holding");
    }
  }
}
