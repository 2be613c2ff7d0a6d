package org.umberline.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;

/** WCAG 2.2 AA on every page in both themes, and the main story without a mouse and by touch. */
class AccessibilityTest {
  private Page page;
  private String theme = "umber-day";

  @BeforeEach
  void openBrowser() {
    page = new Page(Application.shared().address()).enterDemo();
  }

  @AfterEach
  void closeBrowser() {
    page.close();
  }

  /** The pages of both themes are alike but for their colours. */
  private static final Map<String, String> CHECKED =
      Map.of(
          "umber-day", "['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa']",
          "umber-night", "{type: 'rule', values: ['color-contrast', 'link-in-text-block']}");

  private void check(String where) throws IOException {
    page.script(Files.readString(Path.of(System.getProperty("axe"))));
    Object found =
        page.scriptLater(
            """
            const done = arguments[arguments.length - 1];
            axe.run(document, {runOnly: %s}).then(result => done(result.violations.map(v =>
              v.id + ': ' + v.nodes.map(n => n.html.slice(0, 160)).join(' | '))));
            """
                .formatted(CHECKED.get(theme)));
    assertThat((List<?>) found).as(where).isEmpty();
  }

  @ParameterizedTest
  @ValueSource(strings = {"umber-day", "umber-night"})
  void everyPageMeetsWcagInBothThemes(String theme) throws IOException {
    this.theme = theme;
    page.theme(theme);
    page.see("rounds-line");
    check("rounds");
    page.openTank("Quarry");
    check("balance of a new tank");
    page.open("/").openTank("Breakwater");
    page.see("ledger-line").click();
    page.see("try-slider");
    check("balance with a line open");
    for (String sheet : List.of("working", "other-ways", "what-ifs", "track-record")) {
      page.see("open-" + sheet).click();
      page.see(
          switch (sheet) {
            case "working" -> "working-number";
            case "other-ways" -> "ways";
            case "what-ifs" -> "comparison";
            default -> "record";
          });
      check(sheet);
      page.closeSheet();
    }
    page.see("settings").click();
    check("units");
    page.closeSheet();
    page.see("open-guide").click();
    page.awaitText("guide", "Reading the balance");
    check("guide");
    page.closeSheet();
    page.named("as a table").click();
    check("table twin");
    page.closeSheet();
    page.named("Make-up").click();
    page.see("effect-routine");
    page.see("help-volume").click();
    page.named("more…").click();
    check("make-up");
    handsOnPages();

    page.open("/new");
    page.await("asked", d -> !page.all("[data-field=litres]").isEmpty());
    page.all("[data-field=litres]").get(0).sendKeys("60", Keys.TAB);
    for (String question :
        List.of("its kind", "who lives there", "how you feed", "what grows", "the filter")) {
      page.named("Next: " + question).click();
      check("new tank, " + question);
    }
    page.open("/practice").see("practice-tanks");
    check("practice tanks");
    page.practise("Old rock");
    page.awaitText("hidden", "the rock holds about");
    check("practice, afterwards");
    page.reload();
    page.see("outcome");
    page.open("/account").see("sessions");
    check("account");
    page.see("sign-out").click();
    page.see("demo-sign-in");
    check("sign-in");
    assertThat(page.policyViolations()).as("what the browser refused the page").isEmpty();
  }

  @Test
  void theMainStoryNeedsNoMouse() {
    page.tabTo("Saltings");
    page.press(Keys.ENTER);
    page.see("tideline");
    page.see("ledger");
    String first = page.see("sentence").getText();
    page.press("]");
    page.await("the next tank", d -> !page.see("sentence").getText().equals(first));
    page.press("[");
    page.await("and back", d -> page.see("sentence").getText().equals(first));

    page.press("/");
    page.press("no3 30");
    page.awaitText("read-back", "Nitrate 30");
    page.press(Keys.ENTER);
    page.awaitText("toast", "Noted");
    page.tabTo("Undo");
    page.press(Keys.ENTER);
    page.awaitText("toast", "Taken back");
    page.await("as before", d -> page.see("sentence").getText().equals(first));

    page.tabTo("share of the water to change");
    String share = page.value("share of the water to change");
    page.press(Keys.ARROW_UP, Keys.ARROW_UP);
    page.await("tried", d -> page.sees("put-back"));
    page.press(Keys.ESCAPE);
    page.await("put back", d -> page.value("share of the water to change").equals(share));

    page.tabTo("Working");
    page.press(Keys.ENTER);
    page.see("working-number");
    page.closeSheet();
    page.tabTo("Tideline");
    page.press(Keys.ARROW_LEFT, Keys.ARROW_LEFT);
    page.awaitText("read-out", "nitrate about");

    page.press("g", "m");
    page.see("effect-routine");
    page.press("g", "r");
    page.see("rounds-line");
    page.press("?");
    page.awaitText("sheet", "to the entry line");
    page.closeSheet();
  }

  @Test
  void aWetFingerDoesTheSame() {
    page.size(390, 844).reload();
    page.see("rounds-line");
    page.openTank("Stillwater");
    // the link past the places is there for keys alone
    for (WebElement button : page.all("button, a:not(.sr-only), input, select")) {
      if (button.isDisplayed()
          && !button.findElements(By.xpath("ancestor::*[name()='svg']")).isEmpty()) {
        continue;
      }
      if (button.isDisplayed() && button.getSize().getHeight() > 0) {
        assertThat(button.getSize().getHeight())
            .as("height of %s", button.getDomProperty("outerHTML").lines().findFirst().orElse(""))
            .isGreaterThanOrEqualTo(button.getTagName().equals("input") ? 24 : 40);
      }
    }
    String share = page.value("share of the water to change");
    page.all("[aria-label='less: share of the water to change']").get(0).click();
    page.await("tried", d -> !page.value("share of the water to change").equals(share));
    page.reach(page.see("put-back")).click();
    page.await("put back", d -> page.value("share of the water to change").equals(share));
    page.reach(page.see("ledger-line")).click();
    page.see("try-slider");
  }

  private void handsOnPages() throws IOException {
    page.openPlace("Breakwater", "log");
    page.see("log-entry");
    check("log");
    page.see("table-open").click();
    page.see("table-file");
    check("table of tests");
    page.closeSheet();
    page.openPlace("Breakwater", "change");
    page.see("run-sheet");
    check("change");
    page.openPlace("Breakwater", "doses");
    page.see("dose-asked");
    page.named("carbon").click();
    page.see("dose-steps");
    check("doses");
    page.openPlace("Breakwater", "trouble");
    page.see("steps");
    check("trouble");
    page.openPlace("Breakwater", "trials");
    page.see("trial-plan");
    check("trials");
    page.open("/").openTank("Breakwater");
    page.see("open-other-balances").click();
    page.awaitText("sheet", "Alkalinity");
    check("other balances");
    page.closeSheet();
    page.open("/").openTank("Quarry");
    page.see("open-new-tank").click();
    page.awaitText("sheet", "What you read");
    check("new tank guide");
    page.closeSheet();
    page.openPlace("Breakwater", "visit");
    page.see("visit-begin");
    check("visit");
    page.open("/upkeep");
    page.see("band");
    check("upkeep");
    for (String sheet : List.of("absence", "calendar", "care")) {
      page.see(sheet + "-open").click();
      page.see("sheet");
      check(sheet);
      page.closeSheet();
    }
    page.open("/bench");
    page.see("bench-test");
    check("bench");
  }
}
