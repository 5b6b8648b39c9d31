package nightbank.server.export;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Collections;
import java.util.List;
import java.util.zip.ZipFile;
import nightbank.server.shared.Problem;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Tables handed out, with cells that somebody meant ill. */
public class HandedTableTest {
  @DataProvider
  Object[][] cells() {
    return new Object[][] {
      {"=1+1", "'=1+1"},
      {"=HYPERLINK(\"http://127.0.0.1\")", "'=HYPERLINK(\"http://127.0.0.1\")"},
      {"@SUM(A1)", "'@SUM(A1)"},
      {"+cmd|' /C calc'!A0", "'+cmd|' /C calc'!A0"},
      {"-2+3+cmd", "'-2+3+cmd"},
      {" =1", "' =1"},
      {"\t=1", "'\t=1"},
      {"\n=1", "'\n=1"},
      {"\uFF1D1", "'\uFF1D1"},
      {"-7.25", "-7.25"},
      {"+3", "+3"},
      {"1e-3", "1e-3"},
      {"Stone bench", "Stone bench"},
      {"−7.2 °C", "−7.2 °C"},
      {"", ""},
      {null, ""},
    };
  }

  @Test(dataProvider = "cells")
  public void aFormulaIsMadePlainAndAFigureStays(String cell, String expected) {
    assertThat(HandedTable.plain(cell)).isEqualTo(expected);
  }

  @Test
  public void commasQuotesAndLineBreaksAreKeptWithinTheirCell() {
    byte[] csv = new HandedTable("t", List.of(List.of("a,b", "say \"x\"", "two\nlines"))).csv();
    assertThat(new String(csv, StandardCharsets.UTF_8))
        .isEqualTo("\"a,b\",\"say \"\"x\"\"\",\"two\nlines\"\r\n");
  }

  @Test
  public void theSpreadsheetHasFiguresAsFiguresAndNoFormula() throws IOException {
    String sheet =
        part(
            new HandedTable("nights", List.of(List.of("Evening", "Low"), List.of("=2+2", "-7.25")))
                .xlsx(),
            "xl/worksheets/sheet1.xml");
    assertThat(sheet).contains("-7.25").doesNotContain("<f>");
    assertThat(
            part(
                new HandedTable("nights", List.of(List.of("=2+2"))).xlsx(), "xl/sharedStrings.xml"))
        .contains("=2+2");
  }

  private static String part(byte[] book, String name) throws IOException {
    Path file = Files.createTempFile("nightbank-test", ".xlsx");
    try {
      Files.write(file, book);
      try (ZipFile zip = new ZipFile(file.toFile())) {
        return new String(
            zip.getInputStream(zip.getEntry(name)).readAllBytes(), StandardCharsets.UTF_8);
      }
    } finally {
      Files.delete(file);
    }
  }

  @Test
  public void tooMuchOrAnOddNameIsRefused() {
    assertThatThrownBy(() -> new HandedTable("../x", List.of(List.of("a"))))
        .isInstanceOf(Problem.class);
    assertThatThrownBy(() -> new HandedTable("x", List.of())).isInstanceOf(Problem.class);
    assertThatThrownBy(() -> new HandedTable("x", Collections.nCopies(20_001, List.of("a"))))
        .isInstanceOf(Problem.class);
    assertThatThrownBy(() -> new HandedTable("x", List.of(Collections.nCopies(61, "a"))))
        .isInstanceOf(Problem.class);
  }
}
