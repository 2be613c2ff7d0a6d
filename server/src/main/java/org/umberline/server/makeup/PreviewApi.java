package org.umberline.server.makeup;

import jakarta.validation.Valid;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.umberline.core.tank.TankModel;
import org.umberline.server.learning.Computations;
import org.umberline.server.tank.TankRecords;

/** What a tank would come to, while its keeper still tells what it is. */
@RestController
@RequestMapping("/api")
class PreviewApi {
  private final TankRecords tanks;
  private final MakeUpAnswers answers;
  private final Computations computations;

  PreviewApi(TankRecords tanks, MakeUpAnswers answers, Computations computations) {
    this.tanks = tanks;
    this.answers = answers;
    this.computations = computations;
  }

  /** Nothing is kept of the file. */
  @PostMapping("/preview")
  MakeUpViews.Preview preview(@Valid @RequestBody MakeUpRequests.MakeUpTry request) {
    TankModel tank = tanks.read(request.file());
    return computations.run(() -> answers.preview(tank));
  }
}
