package org.umberline.server.makeup;

import jakarta.validation.Valid;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.umberline.core.tank.TankModel;
import org.umberline.server.keeper.SignedIn;
import org.umberline.server.learning.Computations;
import org.umberline.server.tank.TankRecords;
import org.umberline.server.tank.TankRecords.Stored;
import org.umberline.tankfile.Assumed;
import org.umberline.tankfile.TankFileWriter;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** What a tank is, and what another make-up would lead to. */
@RestController
@RequestMapping("/api/tanks/{id}")
class MakeUpApi {
  private final TankRecords tanks;
  private final MakeUpAnswers answers;
  private final Computations computations;
  private final JsonMapper json;

  MakeUpApi(TankRecords tanks, MakeUpAnswers answers, Computations computations, JsonMapper json) {
    this.tanks = tanks;
    this.answers = answers;
    this.computations = computations;
    this.json = json;
  }

  /** The net volume that past changes speak for. */
  @GetMapping("/implied-volume")
  MakeUpViews.ImpliedVolume impliedVolume(@SignedIn.Keeper SignedIn keeper, @PathVariable UUID id) {
    return answers.impliedVolume(tanks.one(id, keeper.keeperId()));
  }

  @PutMapping("/site")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void site(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @Valid @RequestBody MakeUpRequests.Site request) {
    tanks.setSite(id, keeper.keeperId(), request.site().strip());
  }

  @GetMapping("/make-up")
  MakeUpViews.MakeUp makeUp(@SignedIn.Keeper SignedIn keeper, @PathVariable UUID id) {
    return makeUp(tanks.one(id, keeper.keeperId()));
  }

  private MakeUpViews.MakeUp makeUp(Stored stored) {
    ObjectNode tree = TankFileWriter.tree(stored.tank());
    tree.remove("log");
    return new MakeUpViews.MakeUp(
        stored.id(),
        stored.version(),
        stored.tank().name(),
        stored.site(),
        json.writeValueAsString(tree),
        Assumed.in(tree));
  }

  /** What a make-up would lead to; nothing is kept. */
  @PostMapping("/make-up/effect")
  MakeUpViews.MakeUpEffect effect(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @Valid @RequestBody MakeUpRequests.MakeUpTry request) {
    Stored stored = tanks.one(id, keeper.keeperId());
    TankModel tried = tanks.withMakeUp(stored.tank(), request.file());
    return computations.run(() -> answers.effect(stored, tried));
  }

  @PutMapping("/make-up")
  MakeUpViews.MakeUp keepMakeUp(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @Valid @RequestBody MakeUpRequests.MakeUpChange request) {
    return makeUp(
        tanks.change(
            id,
            keeper.keeperId(),
            request.version(),
            tank -> tanks.withMakeUp(tank, request.file())));
  }
}
