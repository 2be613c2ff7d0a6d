package org.umberline.e2e;

import java.nio.file.Path;
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
      for (String theme : new String[] {"day", "night"}) {
        page.theme("umber-" + theme);
        page.see("rounds-line");
        page.picture(folder.resolve("rounds-" + theme + ".png"));
        page.openTank();
        page.awaitText("outcome", "Left alone");
        page.picture(folder.resolve("balance-" + theme + ".png"));
        page.size(390, 844);
        page.theme("umber-" + theme);
        page.see("rounds-line");
        page.picture(folder.resolve("rounds-phone-" + theme + ".png"));
        page.openTank();
        page.awaitText("outcome", "Left alone");
        page.picture(folder.resolve("balance-phone-" + theme + ".png"));
        page.size(1280, 800);
      }
      page.theme("umber-day");
      page.openTank();
      page.handle("days between changes").sendKeys(Keys.ARROW_DOWN);
      page.await("the share follows", d -> page.see("put-back").isDisplayed() && settled(page));
      page.type("no3 40 change 25% siphon half");
      page.awaitText("read-back", "Change of");
      page.picture(folder.resolve("balance-trying-day.png"));
    }
  }

  private static boolean settled(Page page) {
    return page.all("[data-testid=outcome].opacity-50").isEmpty();
  }
}
