package nightbank.browser;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import org.openqa.selenium.Keys;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** A view shown to somebody without an account. */
public class ShownTest {
  private Demo demo;
  private Browser keeper;
  private String link;

  @BeforeClass
  void open() {
    demo = Demo.shared();
    keeper = demo.browser("keeper");
  }

  @AfterClass(alwaysRun = true)
  void close() {
    keeper.close();
  }

  @Test
  public void aLinkIsMadeByKeyboard() {
    keeper.laptop().go(demo.home + "/record/nights").see(".page-out");
    keeper.named("by a link").sendKeys(Keys.ENTER);
    keeper.named("Make the link").sendKeys(Keys.ENTER);
    link = URI.create(keeper.see(".share input").getDomProperty("value")).getPath();
    assertThat(link).startsWith("/shown/");
    keeper.isAccessible();
  }

  @Test(dependsOnMethods = "aLinkIsMadeByKeyboard")
  public void whoeverHasItReadsThatViewOnAPhoneAndChangesNothing() {
    try (Browser reader = new Browser(demo.address)) {
      reader.phone().go(link).firstReads("main h1", "Nights");
      assertThat(reader.driver.getCurrentUrl()).endsWith("/record/nights");
      reader.go(demo.home + "/tonight").see("h1.headline");
      reader.go(demo.home + "/people").reads("Who belongs here").isAccessible();
      assertThat(reader.pageText()).doesNotContain("Let somebody in").doesNotContain("by a link");
    }
  }

  @Test(dependsOnMethods = "whoeverHasItReadsThatViewOnAPhoneAndChangesNothing")
  public void takenBackItOpensNothing() {
    keeper.phone().go(demo.home + "/people").reads("Shown by a link").isAccessible();
    keeper.click("Take back").isGone("Shown by a link");
    try (Browser reader = new Browser(demo.address)) {
      reader.go(link).reads("This link opens nothing").isAccessible();
    }
  }

  @Test
  public void whoIsSignedInIsAskedBeforeTheyAreSignedOut() {
    keeper.laptop().go("/shown/AAAAA-BBBBB").reads("You are signed in as");
    keeper.click("Open it as a guest").reads("This link opens nothing");
    keeper.go(demo.home + "/people").reads("Who belongs here");
  }

  @Test
  public void aFolderIsWatchedByATouch() {
    keeper.phone().go(demo.home + "/stores/" + demo.id("Sand bin") + "/file");
    keeper.click("Watch a folder").reads("is read in by itself").isAccessible();
  }
}
