package org.umberline.server.dosing;

import jakarta.validation.Valid;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.umberline.server.keeper.SignedIn;
import org.umberline.server.learning.Computations;
import org.umberline.server.tank.TankRecords;

/** What goes into a tank: worked amounts with their ceilings. Nothing is kept. */
@RestController
@RequestMapping("/api/tanks/{id}/doses")
class DosesApi {
  private final TankRecords tanks;
  private final DosesAnswers doses;
  private final Computations computations;

  DosesApi(TankRecords tanks, DosesAnswers doses, Computations computations) {
    this.tanks = tanks;
    this.doses = doses;
    this.computations = computations;
  }

  private TankRecords.Stored stored(UUID id, SignedIn keeper) {
    return tanks.one(id, keeper.keeperId());
  }

  @GetMapping
  DosesViews.Doses doses(@SignedIn.Keeper SignedIn keeper, @PathVariable UUID id) {
    TankRecords.Stored stored = stored(id, keeper);
    return computations.run(() -> doses.doses(stored));
  }

  /** Raises nitrate, phosphate, alkalinity, calcium or magnesium. */
  @PostMapping("/raise")
  DosesViews.Dose raise(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @Valid @RequestBody DosesRequests.RaiseAsked request) {
    return doses.raise(stored(id, keeper), request);
  }

  /** Organic carbon in small steps. */
  @PostMapping("/carbon")
  DosesViews.Dose carbon(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @Valid @RequestBody DosesRequests.CarbonAsked request) {
    return doses.carbon(stored(id, keeper), request);
  }

  /** A phosphate adsorber, by what water and rock hold and what comes in. */
  @PostMapping("/adsorber")
  DosesViews.Dose adsorber(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @Valid @RequestBody DosesRequests.AdsorberAsked request) {
    TankRecords.Stored stored = stored(id, keeper);
    return computations.run(() -> doses.adsorber(stored, request));
  }

  /** A phosphate precipitant, over days. */
  @PostMapping("/precipitant")
  DosesViews.Dose precipitant(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @Valid @RequestBody DosesRequests.PrecipitantAsked request) {
    return doses.precipitant(stored(id, keeper), request);
  }

  /** Conditioner for tap water. */
  @PostMapping("/conditioner")
  DosesViews.Dose conditioner(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @Valid @RequestBody DosesRequests.ConditionerAsked request) {
    return doses.conditioner(stored(id, keeper), request);
  }

  @PostMapping("/peroxide")
  DosesViews.Dose peroxide(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @Valid @RequestBody DosesRequests.PeroxideAsked request) {
    return doses.peroxide(stored(id, keeper), request);
  }

  /** A dosing pump's seconds a day, by a timed run. */
  @PostMapping("/pump")
  DosesViews.Dose pump(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @Valid @RequestBody DosesRequests.PumpAsked request) {
    stored(id, keeper);
    return doses.pump(request);
  }
}
