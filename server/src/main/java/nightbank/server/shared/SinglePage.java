package nightbank.server.shared;

import io.swagger.v3.oas.annotations.Hidden;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;

/** Every view has its own address; the page itself is one. */
@Hidden
@Controller
class SinglePage {
  @GetMapping({"/", "/sign-in", "/begin", "/h/{*path}"})
  String page() {
    return "forward:/index.html";
  }
}
