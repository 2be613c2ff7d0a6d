package org.umberline.server.start;

import io.swagger.v3.oas.annotations.Parameter;
import java.util.List;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.umberline.server.keeper.Accounts;
import org.umberline.server.keeper.SignedIn;
import org.umberline.server.makeup.ListViews;
import org.umberline.server.makeup.Lists;
import org.umberline.server.tank.TankRecords;
import org.umberline.server.tank.TankViews;

/** What the page needs wherever it opens, in one answer: each question is a journey of its own. */
@RestController
@RequestMapping("/api")
class StartApi {
  private final Accounts accounts;
  private final TankRecords tanks;

  StartApi(Accounts accounts, TankRecords tanks) {
    this.accounts = accounts;
    this.tanks = tanks;
  }

  /**
   * Who is signed in, the units that are on offer and were chosen, and the keeper's tanks; without
   * the last two where nobody is signed in. Also renews the token cookie.
   */
  @GetMapping("/start")
  StartViews.Start start(
      @SignedIn.Keeper SignedIn keeper, @Parameter(hidden = true) CsrfToken token) {
    token.getToken();
    ListViews.Units units = null;
    List<TankViews.TankName> names = null;
    if (keeper != null) {
      units = Lists.units(accounts.of(keeper.keeperId()).getUnits());
      names = tanks.names(keeper.keeperId());
    }
    return new StartViews.Start(accounts.session(keeper), units, names);
  }
}
