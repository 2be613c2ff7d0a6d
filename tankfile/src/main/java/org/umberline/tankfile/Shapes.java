package org.umberline.tankfile;

import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonProperty;
import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import com.fasterxml.jackson.annotation.JsonUnwrapped;
import com.fasterxml.jackson.annotation.JsonValue;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberline.core.quantity.Ammonia;
import org.umberline.core.quantity.Nitrate;
import org.umberline.core.quantity.Nitrite;
import org.umberline.core.quantity.Phosphate;
import org.umberline.core.tank.Blend;
import org.umberline.core.tank.Dosing;
import org.umberline.core.tank.Effort;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.Feeding;
import org.umberline.core.tank.Kit;
import org.umberline.core.tank.Limits;
import org.umberline.core.tank.Line;
import org.umberline.core.tank.Livestock;
import org.umberline.core.tank.PlantStand;
import org.umberline.core.tank.SourceWater;
import org.umberline.core.tank.Span;
import org.umberline.core.tank.Term;
import org.umberline.core.tank.TestUnit;
import tools.jackson.core.JsonGenerator;
import tools.jackson.databind.ObjectMapper;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.ValueSerializer;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.module.SimpleModule;

/**
 * How the parts of a tank look in a file: the names of their own fields, in their own order, but
 * for what stands here. What a keeper may leave out is left out; a bound that is not set is null.
 */
@SuppressWarnings("UnusedMethod") // Jackson reads the mix-ins
final class Shapes {
  private Shapes() {}

  static ObjectMapper mapper() {
    return JsonMapper.builder()
        .addModule(
            new SimpleModule("shapes")
                .addSerializer(Double.class, new ShortNumber())
                .addSerializer(double.class, new ShortNumber())
                .addSerializer(OptionalDouble.class, new ShortNumberIfKnown()))
        .changeDefaultPropertyInclusion(
            any -> JsonInclude.Value.construct(JsonInclude.Include.NON_ABSENT, null))
        .addMixIn(Term.class, OfTerm.class)
        .addMixIn(TestUnit.class, OfTestUnit.class)
        .addMixIn(Nitrate.class, OfQuantity.class)
        .addMixIn(Phosphate.class, OfQuantity.class)
        .addMixIn(Ammonia.class, OfQuantity.class)
        .addMixIn(Nitrite.class, OfQuantity.class)
        .addMixIn(SourceWater.class, OfSourceWater.class)
        .addMixIn(Blend.class, OfBlend.class)
        .addMixIn(Span.class, Whole.class)
        .addMixIn(Feeding.class, Spanned.class)
        .addMixIn(Livestock.class, Spanned.class)
        .addMixIn(PlantStand.class, Spanned.class)
        .addMixIn(Dosing.class, Spanned.class)
        .addMixIn(ExportMethod.class, OfExport.class)
        .addMixIn(ExportMethod.CarbonDose.class, OfCarbonDose.class)
        .addMixIn(Line.class, Whole.class)
        .addMixIn(Limits.class, OfLimits.class)
        .addMixIn(Effort.class, Whole.class)
        .addMixIn(Kit.class, OfKit.class)
        .build();
  }

  interface OfTerm {
    @JsonValue
    String term();
  }

  interface OfTestUnit {
    @JsonValue
    String label();
  }

  private interface OfQuantity {
    @JsonValue
    double mgPerLitre();
  }

  private interface OfBlend {
    @JsonValue
    List<Blend.Part> parts();
  }

  /** Every field stands in the file, null where it has no value. */
  @JsonInclude(JsonInclude.Include.ALWAYS)
  private interface Whole {}

  private interface Spanned {
    @JsonUnwrapped
    Span span();
  }

  @JsonPropertyOrder({"id", "kind"})
  private interface OfExport extends Spanned {
    @JsonProperty("kind")
    String kind();
  }

  /** Its amount is named by the unit it is dosed in: see the writer. */
  private interface OfCarbonDose extends OfExport {
    @JsonIgnore
    double amountPerDay();
  }

  private interface OfSourceWater {
    @JsonProperty("nitrateMgL")
    Optional<Nitrate> nitrate();

    @JsonProperty("phosphateMgL")
    Optional<Phosphate> phosphate();

    @JsonProperty("ammoniaMgL")
    Ammonia ammonia();

    @JsonProperty("nitriteMgL")
    Nitrite nitrite();
  }

  @JsonInclude(JsonInclude.Include.ALWAYS)
  private interface OfLimits {
    @JsonInclude(JsonInclude.Include.NON_ABSENT)
    OptionalDouble leastChangeFraction();

    @JsonInclude(value = JsonInclude.Include.CUSTOM, valueFilter = UsualLeastChangeDays.class)
    double leastChangeDays();

    @JsonInclude(JsonInclude.Include.NON_EMPTY)
    List<Double> intervalsDays();
  }

  private interface OfKit {
    @JsonInclude(JsonInclude.Include.NON_EMPTY)
    List<Double> steps();
  }

  /** Equal to what is left out. */
  private static final class UsualLeastChangeDays {
    @Override
    public boolean equals(Object days) {
      return Double.valueOf(Limits.DEFAULT_LEAST_CHANGE_DAYS).equals(days);
    }

    @Override
    public int hashCode() {
      return Double.hashCode(Limits.DEFAULT_LEAST_CHANGE_DAYS);
    }
  }

  /** Whole numbers without a decimal point. */
  private static final class ShortNumber extends ValueSerializer<Double> {
    @Override
    public void serialize(Double value, JsonGenerator out, SerializationContext context) {
      write(value, out);
    }

    static void write(double value, JsonGenerator out) {
      if (value == Math.rint(value) && Math.abs(value) < 1e15) {
        out.writeNumber((long) value);
      } else {
        out.writeNumber(value);
      }
    }
  }

  private static final class ShortNumberIfKnown extends ValueSerializer<OptionalDouble> {
    @Override
    public boolean isEmpty(SerializationContext context, OptionalDouble value) {
      return value.isEmpty();
    }

    @Override
    public void serialize(OptionalDouble value, JsonGenerator out, SerializationContext context) {
      if (value.isPresent()) {
        ShortNumber.write(value.getAsDouble(), out);
      } else {
        out.writeNull();
      }
    }
  }
}
