package nightbank.server.shared;

import io.swagger.v3.oas.annotations.Hidden;
import java.time.Duration;
import org.springframework.http.CacheControl;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** Every view has its own address; the page itself is one. */
@Hidden
@Controller
class SinglePage implements WebMvcConfigurer {
  private static final CacheControl FOR_GOOD =
      CacheControl.maxAge(Duration.ofDays(365)).cachePublic().immutable();

  /** What has its content's fingerprint in its name. */
  @Override
  public void addResourceHandlers(ResourceHandlerRegistry registry) {
    registry
        .addResourceHandler("/assets/**")
        .addResourceLocations("classpath:/static/assets/")
        .setCacheControl(FOR_GOOD);
  }

  @GetMapping({"/", "/sign-in", "/come-in", "/begin", "/seen/{*code}", "/h/{*path}"})
  String page() {
    return "forward:/index.html";
  }
}
