package org.umberline.server.makeup;

import jakarta.validation.Valid;
import java.util.function.DoubleSupplier;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.umberline.core.chemistry.NetVolume;
import org.umberline.core.tank.BodyShape;
import org.umberline.server.http.Refused;
import org.umberline.server.http.Terms;
import org.umberline.server.keeper.Keepers;
import org.umberline.server.keeper.SignedIn;
import org.umberline.server.store.Transactions;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/** Lists, units and small sums that belong to no tank. */
@RestController
@RequestMapping("/api")
class ListsApi {
  private final Keepers keepers;
  private final Transactions transactions;
  private final JsonMapper json;

  ListsApi(Keepers keepers, Transactions transactions, JsonMapper json) {
    this.keepers = keepers;
    this.transactions = transactions;
    this.json = json;
  }

  @GetMapping("/lists")
  ListViews.Lists lists() {
    return Lists.all();
  }

  @PutMapping("/units")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void chooseUnits(
      @SignedIn.Keeper SignedIn keeper, @Valid @RequestBody MakeUpRequests.UnitsChosen request) {
    try {
      if (!json.readTree(request.chosen()).isObject()) {
        throw Refused.field("chosen", request.chosen(), "an object");
      }
    } catch (JacksonException unreadable) {
      throw Refused.field("chosen", request.chosen(), "an object");
    }
    transactions.run(
        () -> keepers.findById(keeper.keeperId()).orElseThrow().setUnits(request.chosen()));
  }

  @PostMapping("/volume/box")
  ListViews.Number box(@Valid @RequestBody MakeUpRequests.Box box) {
    return litres(
        () ->
            NetVolume.ofBox(
                box.lengthCm(),
                box.widthCm(),
                box.waterHeightCm(),
                box.displacedShare(),
                box.sumpL()));
  }

  @PostMapping("/volume/salt")
  ListViews.Number salt(@Valid @RequestBody MakeUpRequests.SaltAdded salt) {
    return litres(
        () ->
            NetVolume.ofSalt(salt.saltG(), salt.beforePpt(), salt.afterPpt(), salt.temperatureC()));
  }

  @PostMapping("/volume/marker")
  ListViews.Number marker(@Valid @RequestBody MakeUpRequests.MarkerAdded marker) {
    return litres(() -> NetVolume.ofMarker(marker.mg(), marker.beforeMgL(), marker.afterMgL()));
  }

  private static ListViews.Number litres(DoubleSupplier sum) {
    try {
      return new ListViews.Number(sum.getAsDouble(), "L");
    } catch (IllegalArgumentException impossible) {
      throw Refused.field("measures", impossible.getMessage(), "measures that can be");
    }
  }

  @PostMapping("/mass")
  ListViews.Number mass(@Valid @RequestBody MakeUpRequests.Body body) {
    BodyShape shape = Terms.of(BodyShape.class, "shape", body.shape());
    return new ListViews.Number(shape.massG(body.lengthCm()), "g");
  }
}
