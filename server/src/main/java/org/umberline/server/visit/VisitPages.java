package org.umberline.server.visit;

import com.lowagie.text.Document;
import com.lowagie.text.Font;
import com.lowagie.text.FontFactory;
import com.lowagie.text.Image;
import com.lowagie.text.PageSize;
import com.lowagie.text.Paragraph;
import com.lowagie.text.Phrase;
import com.lowagie.text.Rectangle;
import com.lowagie.text.pdf.PdfPCell;
import com.lowagie.text.pdf.PdfPTable;
import com.lowagie.text.pdf.PdfWriter;
import java.awt.Color;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.umberline.tankfile.Figures;

/** The page a visit leaves, as PDF. */
public final class VisitPages {
  private static final Color INK = new Color(0x2B, 0x26, 0x20);
  private static final Color UMBER = new Color(0x7A, 0x4A, 0x21);
  private static final float MARGIN = 50;
  private static final int PICTURES_IN_A_ROW = 3;
  private static final DateTimeFormatter WHEN =
      DateTimeFormatter.ofPattern("EEEE d MMMM yyyy, HH:mm", Locale.ENGLISH);
  private static final DateTimeFormatter DAY =
      DateTimeFormatter.ofPattern("EEE d MMM", Locale.ENGLISH);
  private static final Font TITLE = FontFactory.getFont(FontFactory.TIMES_BOLD, 24, INK);
  private static final Font HEADING = FontFactory.getFont(FontFactory.TIMES_BOLD, 14, UMBER);
  private static final Font TEXT = FontFactory.getFont(FontFactory.HELVETICA, 10.5f, INK);

  private VisitPages() {}

  /**
   * One page of A4, more where a long visit needs them.
   *
   * @param pictures taken at the visit, as JPEG
   */
  public static byte[] pdf(VisitViews.Visit visit, List<byte[]> pictures) {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    Document page = new Document(PageSize.A4, MARGIN, MARGIN, MARGIN, MARGIN);
    PdfWriter.getInstance(page, out);
    page.addTitle("Visit to " + visit.tank());
    page.addCreator("Umberline");
    page.open();
    page.add(
        new Paragraph(visit.tank() + (visit.site().isEmpty() ? "" : ", " + visit.site()), TITLE));
    if (visit.of() != null) {
      page.add(
          new Paragraph(
              Stream.of(visit.of().client(), visit.of().address())
                  .filter(text -> !text.isEmpty())
                  .collect(Collectors.joining(", ")),
              TEXT));
    }
    page.add(
        new Paragraph(
            WHEN.format(visit.begunAt())
                + (visit.endedAt() == null
                    ? ""
                    : " to " + visit.endedAt().format(DateTimeFormatter.ofPattern("HH:mm")))
                + ", by "
                + visit.by(),
            TEXT));
    if (!visit.measured().isEmpty()) {
      heading(page, "Measured");
      PdfPTable read = new PdfPTable(new float[] {2, 3, 2});
      read.setWidthPercentage(70);
      read.setHorizontalAlignment(0);
      row(read, "", "before", "at this visit");
      for (VisitViews.Measured one : visit.measured()) {
        row(
            read,
            capital(one.analyte()),
            one.before() == null ? "not yet" : one.before() + ", " + DAY.format(one.beforeOn()),
            one.found());
      }
      page.add(read);
    }
    heading(page, "Worked out");
    PdfPTable table = new PdfPTable(new float[] {3, 2, 2});
    table.setWidthPercentage(70);
    table.setHorizontalAlignment(0);
    row(table, "", "on arrival", "on leaving");
    row(
        table,
        "Nitrate, mg/L NO3, about",
        Figures.plain(visit.before().nitrateMgL()),
        Figures.plain(visit.now().nitrateMgL()));
    row(
        table,
        "Phosphate, mg/L PO4, about",
        Figures.plain(visit.before().phosphateMgL()),
        Figures.plain(visit.now().phosphateMgL()));
    page.add(table);
    if (!visit.stands().isEmpty()) {
      page.add(new Paragraph(visit.stands(), TEXT));
    }
    heading(page, "What was seen");
    page.add(new Paragraph(visit.seen().isEmpty() ? "Nothing was noted." : visit.seen(), TEXT));
    heading(page, "What was done");
    list(page, visit.done(), "Looked only.");
    if (!pictures.isEmpty()) {
      page.add(album(pictures));
    }
    heading(page, "What comes next");
    list(
        page,
        visit.next().stream().map(next -> DAY.format(next.on()) + ": " + next.words()).toList(),
        "Nothing within two weeks.");
    if (visit.nextOn() != null) {
      page.add(new Paragraph("Next visit: " + DAY.format(visit.nextOn()) + ".", TEXT));
    }
    if (!visit.advice().isEmpty()) {
      heading(page, "Advice");
      page.add(new Paragraph(visit.advice(), TEXT));
    }
    heading(page, "Take care");
    page.add(
        new Paragraph(
            "Unplug before hands go in. Never start a siphon by mouth. Nothing living goes into"
                + " natural water or drains that reach it. Sick animals: ask a vet.",
            TEXT));
    page.close();
    return out.toByteArray();
  }

  private static String capital(String word) {
    return Character.toUpperCase(word.charAt(0)) + word.substring(1);
  }

  /** Pictures three in a row. */
  private static PdfPTable album(List<byte[]> pictures) {
    PdfPTable album = new PdfPTable(PICTURES_IN_A_ROW);
    album.setWidthPercentage(100);
    album.setSpacingBefore(8);
    for (byte[] picture : pictures) {
      try {
        PdfPCell cell = new PdfPCell(Image.getInstance(picture), true);
        cell.setBorder(Rectangle.NO_BORDER);
        cell.setPadding(3);
        album.addCell(cell);
      } catch (IOException unreadable) {
        throw new UncheckedIOException(unreadable);
      }
    }
    album.completeRow();
    return album;
  }

  private static void heading(Document page, String text) {
    Paragraph heading = new Paragraph(text, HEADING);
    heading.setSpacingBefore(14);
    heading.setSpacingAfter(4);
    page.add(heading);
  }

  private static void list(Document page, List<String> lines, String none) {
    for (String line : lines.isEmpty() ? List.of(none) : lines) {
      page.add(new Paragraph("– " + line, TEXT));
    }
  }

  private static void row(PdfPTable table, String... cells) {
    for (String cell : cells) {
      PdfPCell one = new PdfPCell(new Phrase(cell, TEXT));
      one.setBorder(Rectangle.BOTTOM);
      one.setBorderColor(UMBER);
      one.setPadding(4);
      table.addCell(one);
    }
  }
}
