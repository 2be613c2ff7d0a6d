package org.umberline.tankfile;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import java.util.OptionalDouble;
import tools.jackson.core.JsonGenerator;
import tools.jackson.databind.BeanProperty;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.ValueSerializer;
import tools.jackson.databind.module.SimpleModule;

/**
 * Writes every number of a record as {@link Figures#rounded} tells it; those marked {@link Exact},
 * which were stated or have to add up, as {@link Figures#exact} does.
 */
public final class FiguresModule extends SimpleModule {
  private static final long serialVersionUID = 1L;

  /** A number that is more than told: stated by the keeper, a factor, or a part of a sum. */
  @Target({ElementType.FIELD, ElementType.METHOD, ElementType.PARAMETER})
  @Retention(RetentionPolicy.RUNTIME)
  public @interface Exact {}

  public FiguresModule() {
    super("figures");
    addSerializer(Double.class, new Told(false));
    addSerializer(double.class, new Told(false));
    addSerializer(OptionalDouble.class, new ToldIfKnown());
  }

  private static final class ToldIfKnown extends ValueSerializer<OptionalDouble> {
    @Override
    public void serialize(OptionalDouble value, JsonGenerator out, SerializationContext context) {
      if (value.isPresent()) {
        out.writeNumber(Figures.rounded(value.getAsDouble()));
      } else {
        out.writeNull();
      }
    }
  }

  private static final class Told extends ValueSerializer<Double> {
    private final boolean exact;

    Told(boolean exact) {
      this.exact = exact;
    }

    @Override
    public ValueSerializer<?> createContextual(SerializationContext context, BeanProperty of) {
      boolean marked = of != null && of.getAnnotation(Exact.class) != null;
      return marked == exact ? this : new Told(marked);
    }

    @Override
    public void serialize(Double value, JsonGenerator out, SerializationContext context) {
      out.writeNumber(exact ? Figures.exact(value) : Figures.rounded(value));
    }
  }
}
