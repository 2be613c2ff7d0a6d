package org.umberline.e2e;

import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.Keys;

/**
 * Makes the pictures of docs/screenshots from the demo's data; run by {@code ./umberline
 * screenshots}.
 */
class Screenshots {
  @Test
  void picturesOfEachView() throws Exception {
    Path folder = Path.of(System.getProperty("pictures", "target/screenshots"));
    try (Application application = new Application("screenshots");
        Page page = new Page(application.address())) {
      page.enterDemo();
      page.theme("umber-day");
      page.see("rounds-line");
      page.picture(folder.resolve("rounds.png"));
      balance(page, "Stillwater");
      page.awaitText("outcome", "stays under 40");
      page.picture(folder.resolve("balance-day.png"));
      page.size(390, 844).theme("umber-day");
      page.see("rounds-line");
      page.picture(folder.resolve("rounds-phone.png"));
      balance(page, "Stillwater");
      page.awaitText("outcome", "stays under 40");
      page.picture(folder.resolve("balance-phone.png"));
      page.size(1280, 800).theme("umber-night");
      balance(page, "Breakwater");
      page.picture(folder.resolve("balance-marine-night.png"));
      page.theme("umber-day");
      balance(page, "Quarry");
      page.see("new-tank");
      page.picture(folder.resolve("balance-new-tank.png"));
      page.open("/");
      balance(page, "Breakwater");
      page.see("open-other-balances").click();
      page.awaitText("sheet", "Alkalinity");
      page.picture(folder.resolve("other-balances.png"));
      page.closeSheet();
      page.open("/");
      balance(page, "Stillwater");
      page.see("open-working").click();
      page.see("working-number");
      page.picture(folder.resolve("working.png"));
      page.closeSheet();
      page.named("Make-up").click();
      page.see("effect-routine");
      page.picture(folder.resolve("make-up.png"));
      page.openPlace("Breakwater", "log");
      page.see("log-entry");
      page.picture(folder.resolve("log.png"));
      page.openPlace("Paddy", "doses");
      page.see("dose-asked");
      page.all("[aria-label='what it shall hold']").get(0).clear();
      page.all("[aria-label='what it shall hold']").get(0).sendKeys("14");
      page.see("dose-steps");
      page.picture(folder.resolve("doses.png"));
      page.openPlace("Paddy", "trouble");
      page.see("steps");
      page.picture(folder.resolve("trouble.png"));
      page.openPlace("Paddy", "trials");
      page.see("trial-plan");
      page.picture(folder.resolve("trials.png"));
      page.open("/practice");
      page.practise("Old rock");
      page.picture(folder.resolve("practice.png"));
      page.openPlace("Stillwater", "change");
      page.see("run-sheet");
      page.picture(folder.resolve("change.png"));
      page.open("/upkeep");
      page.see("band");
      page.picture(folder.resolve("upkeep.png"));
      page.size(390, 844).open("/bench");
      page.see("bench-test");
      page.picture(folder.resolve("bench-phone.png"));
      page.size(1280, 800).open("/account");
      page.see("sessions");
      page.picture(folder.resolve("account.png"));
      page.open("/new");
      page.see("next-question");
      page.await("asked", d -> !page.all("[data-field=litres]").isEmpty());
      page.all("[data-field=name]").get(0).sendKeys("Window tank");
      page.all("[data-field=litres]").get(0).sendKeys("60", Keys.TAB);
      for (String answer :
          List.of(
              "fish with few plants or none",
              "",
              "a pinch of flakes",
              "slow leafy plants",
              "a sponge filter",
              "about a quarter every week")) {
        page.see("next-question").click();
        if (!answer.isEmpty()) {
          page.named(answer).click();
        }
      }
      page.awaitText("preview", "Nitrate settles");
      page.await("drawn", d -> page.all("[data-testid=preview].opacity-60").isEmpty());
      page.picture(folder.resolve("new-tank.png"));
    }
  }

  /** A tank's page with all that is drawn after the sentence. */
  private static void balance(Page page, String name) {
    page.openTank(name);
    page.see("tideline");
    page.see("ledger");
  }

  private static boolean settled(Page page) {
    return page.all("[data-testid=outcome].opacity-50").isEmpty();
  }
}
