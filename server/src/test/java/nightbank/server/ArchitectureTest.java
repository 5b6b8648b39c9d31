package nightbank.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.util.Set;
import java.util.stream.Collectors;
import org.testng.annotations.Test;

/**
 * The arrows: web to server to (core, db); nothing points at server; features keep their insides.
 */
public class ArchitectureTest {
  private static final JavaClasses ALL =
      new ClassFileImporter()
          .withImportOption(new ImportOption.DoNotIncludeTests())
          .importPackages("nightbank");

  @Test
  public void coreKnowsNoFrameworkNoClockAndNoDatabase() {
    noClasses()
        .that()
        .resideInAPackage("nightbank.core..")
        .should()
        .dependOnClassesThat()
        .resideInAnyPackage(
            "org.springframework..",
            "org.jooq..",
            "java.sql..",
            "javax.sql..",
            "tools.jackson..",
            "com.fasterxml..",
            "java.net..",
            "nightbank.server..",
            "nightbank.db..")
        .orShould()
        .callMethod(java.time.Instant.class, "now")
        .orShould()
        .callMethod(System.class, "currentTimeMillis")
        .check(ALL);
  }

  @Test
  public void coreDoesNotReachIntoFiles() {
    noClasses()
        .that()
        .resideInAPackage("nightbank.core..")
        .should()
        .dependOnClassesThat()
        .resideInAnyPackage("java.nio.file..")
        .check(ALL);
  }

  @Test
  public void nothingPointsAtTheServer() {
    noClasses()
        .that()
        .resideOutsideOfPackage("nightbank.server..")
        .should()
        .dependOnClassesThat()
        .resideInAPackage("nightbank.server..")
        .check(ALL);
  }

  @Test
  public void onlyAFeaturesOwnFaceReachesItsInside() {
    Set<String> features =
        ALL.stream()
            .map(c -> c.getPackageName())
            .filter(p -> p.matches("nightbank\\.server\\.[a-z]+\\.internal.*"))
            .map(p -> p.split("\\.")[2])
            .collect(Collectors.toSet());
    assertThat(features).contains("run", "log", "job");
    for (String feature : features) {
      noClasses()
          .that()
          .resideOutsideOfPackage("nightbank.server." + feature + "..")
          .should()
          .dependOnClassesThat()
          .resideInAPackage("nightbank.server." + feature + ".internal..")
          .check(ALL);
    }
  }

  @Test
  public void onlyRepositoriesAndTheirFeatureTouchTheTables() {
    classes()
        .that()
        .resideInAPackage("nightbank.db..")
        .should()
        .onlyBeAccessed()
        .byAnyPackage(
            "nightbank.db..",
            "nightbank.server..internal..",
            "nightbank.server.alarm..",
            "nightbank.server.loggerfile..")
        .check(ALL);
  }

  @Test
  public void nobodyElseNamesCoresInside() {
    noClasses()
        .that()
        .resideOutsideOfPackage("nightbank.core..")
        .should()
        .dependOnClassesThat()
        .resideInAPackage("nightbank.core.internal..")
        .check(ALL);
  }

  @Test
  public void sqlStandsInRepositoriesAndWhereNodesMeet() {
    noClasses()
        .that()
        .resideOutsideOfPackages(
            "nightbank.db..",
            "nightbank.server..internal..",
            "nightbank.server.export..",
            "nightbank.server.shared..")
        .should()
        .dependOnClassesThat()
        .haveFullyQualifiedName("org.jooq.DSLContext")
        .check(ALL);
  }

  @Test
  public void coresPackagesFormNoRing() {
    slices().matching("nightbank.core.(**)").should().beFreeOfCycles().check(ALL);
  }

  @Test
  public void numbersAndLettersDoNotHangOnTheMachinesLanguage() {
    noClasses()
        .should()
        .callMethod(String.class, "format", String.class, Object[].class)
        .orShould()
        .callMethod(String.class, "toLowerCase")
        .orShould()
        .callMethod(String.class, "toUpperCase")
        .check(ALL);
  }

  @Test
  public void everyRoomSaysWhatItIsFor() {
    Set<String> rooms =
        ALL.stream()
            .map(c -> c.getPackageName())
            .filter(p -> p.matches("nightbank\\.(core|server)\\.[a-z.]+"))
            .filter(p -> !p.startsWith("nightbank.server") || !p.contains("internal"))
            .collect(Collectors.toSet());
    assertThat(rooms)
        .allSatisfy(
            room ->
                assertThat(
                        Program.root()
                            .resolve(room.split("\\.")[1] + "/src/main/java")
                            .resolve(room.replace('.', '/'))
                            .resolve("package-info.java"))
                    .exists());
  }
}
