package nightbank.server.shared;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.servlet.HandlerExceptionResolver;

/** A database that is away is told of in the same way where the session is looked up in it. */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class Outage extends OncePerRequestFilter {
  private final HandlerExceptionResolver problems;

  Outage(@Qualifier("handlerExceptionResolver") HandlerExceptionResolver problems) {
    this.problems = problems;
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    try {
      chain.doFilter(request, response);
    } catch (DataAccessException | TransactionException away) {
      if (response.isCommitted()) {
        throw away;
      }
      response.resetBuffer();
      problems.resolveException(request, response, null, away);
    }
  }
}
