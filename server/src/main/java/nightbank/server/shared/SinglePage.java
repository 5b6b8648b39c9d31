package nightbank.server.shared;

import io.swagger.v3.oas.annotations.Hidden;
import jakarta.servlet.ServletContext;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import org.springframework.core.io.ClassPathResource;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import org.springframework.web.servlet.resource.EncodedResourceResolver;

/** Every view has its own address; the page itself is one, and is told where the program lies. */
@Hidden
@Controller
class SinglePage implements WebMvcConfigurer {
  private static final CacheControl FOR_GOOD =
      CacheControl.maxAge(Duration.ofDays(365)).cachePublic().immutable();
  private static final ClassPathResource PAGE =
      new ClassPathResource("/static/index.html", SinglePage.class);

  private final String page;

  SinglePage(ServletContext context) {
    page = PAGE.exists() ? lyingAt(context.getContextPath()) : "";
  }

  private static String lyingAt(String prefix) {
    try {
      return PAGE.getContentAsString(StandardCharsets.UTF_8)
          .replace("=\"./", "=\"" + prefix + "/")
          .replace("name=\"prefix\" content=\"", "name=\"prefix\" content=\"" + prefix);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** What has its content's fingerprint in its name. */
  @Override
  public void addResourceHandlers(ResourceHandlerRegistry registry) {
    registry
        .addResourceHandler("/assets/**")
        .addResourceLocations("classpath:/static/assets/")
        .setCacheControl(FOR_GOOD)
        .resourceChain(true)
        .addResolver(new EncodedResourceResolver());
  }

  @GetMapping({
    "/",
    "/index.html",
    "/sign-in",
    "/come-in",
    "/begin",
    "/seen/{*code}",
    "/shown/{*code}",
    "/h/{*path}"
  })
  ResponseEntity<String> page() {
    return ResponseEntity.ok()
        .contentType(new MediaType(MediaType.TEXT_HTML, StandardCharsets.UTF_8))
        .cacheControl(CacheControl.noCache())
        .body(page);
  }
}
