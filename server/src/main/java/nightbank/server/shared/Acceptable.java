package nightbank.server.shared;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Collections;
import java.util.List;
import org.springframework.http.HttpHeaders;
import org.springframework.http.InvalidMediaTypeException;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Component;
import org.springframework.web.HttpMediaTypeNotAcceptableException;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** What is answered in JSON is not worked out for those who take none. */
@Component
class Acceptable implements HandlerInterceptor, WebMvcConfigurer {
  private static final List<Class<?>> OF_ANY_FORM =
      List.of(void.class, ResponseEntity.class, SseEmitter.class);

  @Override
  public void addInterceptors(InterceptorRegistry registry) {
    registry.addInterceptor(this).addPathPatterns("/api/**");
  }

  @Override
  public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler)
      throws HttpMediaTypeNotAcceptableException {
    if (handler instanceof HandlerMethod method
        && !OF_ANY_FORM.contains(method.getReturnType().getParameterType())
        && !takesJson(Collections.list(request.getHeaders(HttpHeaders.ACCEPT)))) {
      throw new HttpMediaTypeNotAcceptableException(List.of(MediaType.APPLICATION_JSON));
    }
    return true;
  }

  private static boolean takesJson(List<String> accept) {
    try {
      List<MediaType> taken = MediaType.parseMediaTypes(accept);
      return taken.isEmpty()
          || taken.stream().anyMatch(MediaType.APPLICATION_JSON::isCompatibleWith);
    } catch (InvalidMediaTypeException none) {
      return false;
    }
  }
}
