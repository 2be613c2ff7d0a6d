package org.umberline.server.practice;

import jakarta.validation.Valid;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.umberline.core.practice.PracticeCase;
import org.umberline.server.http.Terms;
import org.umberline.server.learning.Computations;

/** Invented tanks to practise on. The page keeps the weeks and sends them all each time. */
@RestController
@RequestMapping("/api/practice")
class PracticeApi {
  private final PracticeAnswers practice;
  private final Computations computations;

  PracticeApi(PracticeAnswers practice, Computations computations) {
    this.practice = practice;
    this.computations = computations;
  }

  /** The tanks there are, the easiest first. */
  @GetMapping
  List<PracticeViews.PracticeOffer> offers() {
    return practice.offers();
  }

  /** How one stands after the weeks that were kept. */
  @PostMapping("/{name}")
  PracticeViews.PracticeState state(
      @PathVariable String name, @Valid @RequestBody PracticeRequests.PracticeKept request) {
    PracticeCase which = Terms.of(PracticeCase.class, "name", name);
    return computations.run(() -> practice.state(which, request));
  }
}
