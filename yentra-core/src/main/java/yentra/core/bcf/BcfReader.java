package yentra.core.bcf;

import com.ctc.wstx.api.WstxInputProperties;
import com.ctc.wstx.stax.WstxInputFactory;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Locale;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import org.apache.commons.compress.archivers.zip.ZipArchiveEntry;
import org.apache.commons.compress.archivers.zip.ZipFile;
import org.apache.commons.compress.utils.SeekableInMemoryByteChannel;
import yentra.core.envelope.UnreadableException;

/**
 * Reads the topics of a BCF archive, of version 2.0, 2.1 or 3.0: their status and comments. Nothing
 * is ever written to a place that an entry names.
 */
public final class BcfReader {
  private static final int MOST_ENTRIES = 50_000;
  private static final int MOST_MARKUP = 5_000_000;
  private static final long MOST_ALL = 200_000_000;
  private static final int DEEPEST = 50;

  private BcfReader() {}

  /**
   * Reads an archive.
   *
   * @throws UnreadableException when it is no BCF archive, is damaged, or unpacks to too much
   */
  public static List<BcfAnswer> read(byte[] bytes) throws UnreadableException {
    List<BcfAnswer> out = new ArrayList<>();
    try (ZipFile zip =
        ZipFile.builder().setSeekableByteChannel(new SeekableInMemoryByteChannel(bytes)).get()) {
      boolean version = false;
      int count = 0;
      long all = 0;
      for (ZipArchiveEntry e : (Iterable<ZipArchiveEntry>) zip.getEntries()::asIterator) {
        if (++count > MOST_ENTRIES) {
          throw refused("The archive has more than " + MOST_ENTRIES + " entries.");
        }
        String name = e.getName().replace('\\', '/');
        version |= name.equals("bcf.version");
        if (!name.toLowerCase(Locale.ROOT).endsWith("markup.bcf")) {
          continue;
        }
        byte[] markup;
        try (InputStream in = zip.getInputStream(e)) {
          markup = in.readNBytes(MOST_MARKUP + 1);
        }
        all += markup.length;
        if (markup.length > MOST_MARKUP || all > MOST_ALL) {
          throw refused("The archive unpacks to more than a BCF file needs.");
        }
        BcfAnswer a = topic(name, markup);
        if (a != null) {
          out.add(a);
        }
      }
      if (!version && out.isEmpty()) {
        throw refused("This is no BCF file: it has neither bcf.version nor topics.");
      }
    } catch (IOException | IllegalArgumentException e) {
      throw refused("The archive is damaged. Transfer or export it again.");
    }
    return out;
  }

  private static BcfAnswer topic(String name, byte[] markup) throws UnreadableException {
    WstxInputFactory factory = new WstxInputFactory();
    factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
    factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
    factory.setProperty(XMLInputFactory.IS_COALESCING, true);
    factory.setProperty(WstxInputProperties.P_MAX_ELEMENT_DEPTH, DEEPEST);
    factory.setProperty(WstxInputProperties.P_MAX_ATTRIBUTE_SIZE, 100_000);
    try {
      XMLStreamReader x = factory.createXMLStreamReader(new ByteArrayInputStream(markup));
      try {
        return topic(x);
      } finally {
        x.close();
      }
    } catch (XMLStreamException e) {
      int line = e.getLocation() == null ? 1 : e.getLocation().getLineNumber();
      throw new UnreadableException(
          name + " in the archive is no valid XML (line " + line + "). Export the file again.",
          line,
          e.getLocation() == null ? 1 : e.getLocation().getColumnNumber());
    }
  }

  /** Null when there is no topic in it. */
  private static BcfAnswer topic(XMLStreamReader x) throws XMLStreamException {
    String guid = null;
    String status = "";
    String title = "";
    List<String> labels = new ArrayList<>();
    List<BcfAnswer.Comment> comments = new ArrayList<>();
    String date = "";
    String author = "";
    String said = "";
    Deque<String> path = new ArrayDeque<>();
    while (x.hasNext()) {
      int event = x.next();
      if (event == XMLStreamConstants.START_ELEMENT) {
        String name = x.getLocalName();
        String parent = path.isEmpty() ? "" : path.peek();
        path.push(name);
        if (name.equals("Topic") && guid == null) {
          guid = value(x, "Guid").strip().toLowerCase(Locale.ROOT);
          status = value(x, "TopicStatus");
        } else if (name.equals("Comment") && !parent.equals("Comment")) {
          date = "";
          author = "";
          said = "";
        }
      } else if (event == XMLStreamConstants.CHARACTERS && !path.isEmpty()) {
        String name = path.pop();
        String parent = path.isEmpty() ? "" : path.peek();
        path.push(name);
        String text = x.getText().strip();
        if (!text.isEmpty()) {
          if (parent.equals("Topic") && name.equals("Title")) {
            title = text;
          } else if (name.equals("Label") || parent.equals("Topic") && name.equals("Labels")) {
            labels.add(text);
          } else if (parent.equals("Comment")) {
            switch (name) {
              case "Date" -> date = text;
              case "Author" -> author = text;
              case "Comment" -> said = text;
              default -> {}
            }
          }
        }
      } else if (event == XMLStreamConstants.END_ELEMENT) {
        String name = path.pop();
        boolean outer = path.isEmpty() || !path.peek().equals("Comment");
        if (name.equals("Comment") && outer && !said.isEmpty()) {
          comments.add(new BcfAnswer.Comment(date, author, said));
        }
      }
    }
    return guid == null || guid.isEmpty()
        ? null
        : new BcfAnswer(guid, title, status, labels, comments);
  }

  private static String value(XMLStreamReader x, String attribute) {
    String v = x.getAttributeValue(null, attribute);
    return v == null ? "" : v;
  }

  private static UnreadableException refused(String message) {
    return new UnreadableException(message, 1, 1);
  }
}
