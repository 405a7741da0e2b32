package yentra.core.table;

import java.io.IOException;
import java.io.StringReader;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/**
 * CSV files as rows of text (RFC 4180): separated by comma, semicolon or tab, whichever the first
 * line has most of; UTF-8, else Windows-1252.
 */
public final class CsvText {
  private static final int MOST_BYTES = 20_000_000;
  private static final int MOST_ROWS = 20_000;

  private CsvText() {}

  /**
   * Row n of the file is member n − 1 of the list.
   *
   * @throws TableException when it is too large, binary, or a quote is not closed
   */
  public static List<List<String>> read(byte[] bytes) throws TableException {
    if (bytes.length > MOST_BYTES) {
      throw new TableException(
          "", 0, "", "The file has more than 20 MB; it should be far smaller.");
    }
    String text = text(bytes);
    if (text.indexOf('\0') >= 0) {
      throw new TableException("", 0, "", "The file is no text. Save it as CSV or XLSX.");
    }
    CSVFormat format =
        CSVFormat.DEFAULT
            .builder()
            .setDelimiter(separator(text))
            .setIgnoreEmptyLines(false)
            .setTrim(true)
            .get();
    List<List<String>> out = new ArrayList<>();
    try (CSVParser parser = CSVParser.parse(new StringReader(text), format)) {
      for (CSVRecord r : parser) {
        if (out.size() >= MOST_ROWS) {
          throw new TableException("", MOST_ROWS, "", "The file has too many rows.");
        }
        out.add(r.toList());
      }
    } catch (IOException | RuntimeException e) {
      throw new TableException(
          "", out.size() + 1, "", "The row cannot be read: a quotation mark is not closed.");
    }
    return out;
  }

  private static String text(byte[] bytes) {
    String s;
    try {
      s =
          StandardCharsets.UTF_8
              .newDecoder()
              .onMalformedInput(CodingErrorAction.REPORT)
              .decode(ByteBuffer.wrap(bytes))
              .toString();
    } catch (CharacterCodingException e) {
      // what spreadsheet programs write where they do not write UTF-8
      s = new String(bytes, Charset.forName("windows-1252"));
    }
    return s.startsWith("\uFEFF") ? s.substring(1) : s;
  }

  private static char separator(String text) {
    String first = text.lines().findFirst().orElse("");
    char best = ',';
    long most = 0;
    for (char c : new char[] {',', ';', '\t'}) {
      long n = first.chars().filter(x -> x == c).count();
      if (n > most) {
        most = n;
        best = c;
      }
    }
    return best;
  }
}
