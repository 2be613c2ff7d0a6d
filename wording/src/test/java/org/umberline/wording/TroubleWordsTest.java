package org.umberline.wording;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.umberline.core.tank.Look;
import org.umberline.core.tank.Sign;
import org.umberline.core.trouble.Cause;

/** Words, never keys. */
class TroubleWordsTest {
  @Test
  void signsLooksAndCausesAreDescribedInDifferentPlainWords() {
    List<String> signs = Sign.TERMS.stream().map(TroubleWords::sign).toList();
    List<String> looks = Arrays.stream(Look.values()).map(TroubleWords::look).toList();
    List<String> causes = Arrays.stream(Cause.values()).map(TroubleWords::cause).toList();
    assertThat(signs).doesNotHaveDuplicates();
    assertThat(looks).doesNotHaveDuplicates();
    assertThat(causes).doesNotHaveDuplicates();
    assertThat(Stream.of(looks, signs).flatMap(List::stream))
        .allSatisfy(words -> assertThat(words).doesNotContain("-").isNotBlank());
  }

  @Test
  void onlyGaspingIsUrgent() {
    assertThat(Sign.TERMS.stream().filter(sign -> !TroubleWords.urgent(sign).isEmpty()))
        .containsExactly(Sign.GASPING);
  }
}
