package org.umberline.server.http;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.umberline.tankfile.Years;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.JacksonModule;
import tools.jackson.databind.deser.std.StdDeserializer;
import tools.jackson.databind.ext.javatime.deser.InstantDeserializer;
import tools.jackson.databind.ext.javatime.deser.LocalDateDeserializer;
import tools.jackson.databind.module.SimpleModule;

/** Dates of any request are of the years a log can be of. */
@Configuration
public class Dates {
  @Bean
  JacksonModule datesOfOurTime() {
    return new SimpleModule("dates of our time")
        .addDeserializer(LocalDate.class, new Day())
        .addDeserializer(Instant.class, new Moment());
  }

  /**
   * @throws Refused when the instant is of no year that is allowed
   */
  public static void require(String field, Instant at) {
    if (!holds(at)) {
      throw Refused.field(field, at.toString(), Years.ALLOWED);
    }
  }

  private static boolean holds(Instant at) {
    return at.isAfter(Instant.MIN.plusSeconds(86400))
        && at.isBefore(Instant.MAX.minusSeconds(86400))
        && Years.holds(at.atOffset(ZoneOffset.UTC).toLocalDate());
  }

  private static final class Day extends StdDeserializer<LocalDate> {
    Day() {
      super(LocalDate.class);
    }

    @Override
    public LocalDate deserialize(JsonParser parser, DeserializationContext context)
        throws JacksonException {
      LocalDate day = LocalDateDeserializer.INSTANCE.deserialize(parser, context);
      if (day != null && !Years.holds(day)) {
        return (LocalDate)
            context.handleWeirdStringValue(LocalDate.class, day.toString(), Years.ALLOWED);
      }
      return day;
    }
  }

  private static final class Moment extends StdDeserializer<Instant> {
    Moment() {
      super(Instant.class);
    }

    @Override
    public Instant deserialize(JsonParser parser, DeserializationContext context)
        throws JacksonException {
      Instant at = InstantDeserializer.INSTANT.deserialize(parser, context);
      if (at != null && !holds(at)) {
        return (Instant)
            context.handleWeirdStringValue(Instant.class, at.toString(), Years.ALLOWED);
      }
      return at;
    }
  }
}
