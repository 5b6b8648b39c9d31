package nightbank.server.shared;

import io.swagger.v3.oas.annotations.Hidden;
import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.core.StandardHost;
import org.apache.catalina.valves.ErrorReportValve;
import org.apache.catalina.valves.ValveBase;
import org.apache.coyote.ActionCode;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.boot.webmvc.error.ErrorController;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpStatus;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.security.web.AuthenticationEntryPoint;
import org.springframework.security.web.access.AccessDeniedHandler;
import org.springframework.security.web.csrf.CsrfException;
import org.springframework.security.web.firewall.RequestRejectedHandler;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.servlet.HandlerExceptionResolver;

/** What is refused before or beside our own code, said in the same way as everything else. */
@Configuration
class Refusals {
  /** Attribute of a request: to be run where nobody waits for the rest of it. */
  static final String HANG_UP = "nightbank.hangUp";

  private final HandlerExceptionResolver problems;

  Refusals(@Qualifier("handlerExceptionResolver") HandlerExceptionResolver problems) {
    this.problems = problems;
  }

  @Bean
  AuthenticationEntryPoint nobody() {
    return (request, response, e) ->
        tell(
            request,
            response,
            new Problem(
                HttpStatus.UNAUTHORIZED,
                "signed-out",
                "",
                "You are not signed in.",
                "Sign in again."));
  }

  @Bean
  AccessDeniedHandler notLetIn() {
    return (request, response, e) -> tell(request, response, denied(e));
  }

  private static Problem denied(AccessDeniedException e) {
    return e instanceof CsrfException
        ? new Problem(
            HttpStatus.FORBIDDEN,
            "no-token",
            "",
            "The request does not show the token of your page.",
            "Load the page again; what was typed is kept.")
        : new Problem(
            HttpStatus.FORBIDDEN, "not-allowed", "", "You may not do this.", "Ask a keeper.");
  }

  @Bean
  RequestRejectedHandler odd() {
    return (request, response, e) -> problems.resolveException(request, response, null, e);
  }

  private void tell(HttpServletRequest request, HttpServletResponse response, Problem problem) {
    problems.resolveException(request, response, null, problem);
  }

  @Bean
  static WebServerFactoryCustomizer<TomcatServletWebServerFactory> ownWords() {
    return factory -> {
      factory.addContextCustomizers(
          context ->
              ((StandardHost) context.getParent())
                  .setErrorReportValveClass(Unread.class.getName()));
      factory.addContextValves(new HangUp());
    };
  }

  /** Lets a request be left without waiting for the rest of its body. */
  private static final class HangUp extends ValveBase {
    HangUp() {
      super(true);
    }

    @Override
    public void invoke(Request request, Response response) throws IOException, ServletException {
      Runnable unread =
          () -> response.getCoyoteResponse().action(ActionCode.DISABLE_SWALLOW_INPUT, null);
      request.setAttribute(HANG_UP, unread);
      getNext().invoke(request, response);
    }
  }

  /** For what the container itself could not read. */
  public static final class Unread extends ErrorReportValve {
    @Override
    protected void report(Request request, Response response, @Nullable Throwable thrown) {
      int status = response.getStatus();
      if (status < 400 || response.getContentWritten() > 0 || !response.setErrorReported()) {
        return;
      }
      byte[] told =
          """
          {"title":"%s","status":%d,"detail":"The request could not be read.","code":"unreadable",\
          "field":"","remedy":"Go back to the list and open it from there."}"""
              .formatted(title(status), status)
              .getBytes(StandardCharsets.UTF_8);
      try {
        response.setContentType("application/problem+json");
        response.setContentLength(told.length);
        response.getOutputStream().write(told);
        response.finishResponse();
      } catch (IOException gone) {
        return; // nobody is there to be told
      }
    }

    private static String title(int status) {
      HttpStatus known = HttpStatus.resolve(status);
      return known == null ? "" : known.getReasonPhrase();
    }
  }

  /** What was given up half way, by whatever stands between. */
  @Hidden
  @Controller
  static class Beside implements ErrorController {
    @RequestMapping("/error")
    void error(HttpServletRequest request) {
      Object status = request.getAttribute(RequestDispatcher.ERROR_STATUS_CODE);
      HttpStatus as = status instanceof Integer code ? HttpStatus.resolve(code) : null;
      if (as == HttpStatus.NOT_FOUND || as == null && status == null) {
        throw new Problem(HttpStatus.NOT_FOUND, "not-found", "", "There is nothing here.", "");
      }
      if (as == null || as.is5xxServerError()) {
        throw new Problem(
            HttpStatus.INTERNAL_SERVER_ERROR,
            "unforeseen",
            "",
            "Something went wrong that was not foreseen.",
            "Nothing was saved. Try again; if it stays, the log of the program says more.");
      }
      throw new Problem(
          as,
          "unreadable",
          "",
          "The request could not be read.",
          "Go back to the list and open it from there.");
    }
  }
}
