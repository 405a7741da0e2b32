package yentra.core.bcf;

import com.ctc.wstx.stax.WstxOutputFactory;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.Arrays;
import java.util.List;
import java.util.TreeSet;
import java.util.UUID;
import java.util.function.Function;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;
import yentra.core.geometry.Vec3;

/**
 * Writes topics as a BCF archive of version 2.1 or 3.0. The same topics give the same bytes:
 * entries bear the time of the newest topic.
 */
public final class BcfWriter {
  private final BcfVersion version;
  private final ZipOutputStream zip;
  private final long time;

  private BcfWriter(BcfVersion version, OutputStream out, long time) {
    this.version = version;
    this.zip = new ZipOutputStream(out, StandardCharsets.UTF_8);
    this.time = time;
  }

  /**
   * Writes an archive; the stream is not closed.
   *
   * @param project name of the project
   * @param projectId in the notation of a UUID
   */
  public static void write(
      List<BcfTopic> topics, BcfVersion version, String project, String projectId, OutputStream out)
      throws IOException {
    long time =
        topics.stream()
            .map(BcfTopic::created)
            .max(Instant::compareTo)
            .orElse(Instant.EPOCH)
            .toEpochMilli();
    BcfWriter w = new BcfWriter(version, out, time);
    try {
      w.head(project, projectId, topics);
      for (BcfTopic t : topics) {
        w.topic(t);
      }
      w.zip.finish();
    } catch (XMLStreamException e) {
      throw new IOException(e);
    }
  }

  private interface Body {
    void write(XMLStreamWriter x) throws XMLStreamException;
  }

  private void xml(String name, Body body) throws IOException, XMLStreamException {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    XMLStreamWriter x = new WstxOutputFactory().createXMLStreamWriter(bytes, "UTF-8");
    x.writeStartDocument("UTF-8", "1.0");
    body.write(x);
    x.writeEndDocument();
    x.close();
    entry(name, bytes.toByteArray());
  }

  private void entry(String name, byte[] bytes) throws IOException {
    ZipEntry e = new ZipEntry(name);
    e.setTime(time);
    zip.putNextEntry(e);
    zip.write(bytes);
    zip.closeEntry();
  }

  private boolean isThree() {
    return version == BcfVersion.V3_0;
  }

  private void head(String project, String projectId, List<BcfTopic> topics)
      throws IOException, XMLStreamException {
    xml(
        "bcf.version",
        x -> {
          x.writeStartElement("Version");
          x.writeAttribute("VersionId", version.id());
          if (!isThree()) {
            text(x, "DetailedVersion", version.id());
          }
          x.writeEndElement();
        });
    xml(
        "project.bcfp",
        x -> {
          x.writeStartElement(isThree() ? "ProjectInfo" : "ProjectExtension");
          x.writeStartElement("Project");
          x.writeAttribute("ProjectId", projectId);
          text(x, "Name", project);
          x.writeEndElement();
          if (!isThree()) {
            text(x, "ExtensionSchema", "");
          }
          x.writeEndElement();
        });
    if (isThree()) {
      xml(
          "extensions.xml",
          x -> {
            x.writeStartElement("Extensions");
            values(x, "TopicTypes", "TopicType", topics, t -> List.of(t.type()));
            values(x, "TopicStatuses", "TopicStatus", topics, t -> List.of(t.status()));
            values(x, "Priorities", "Priority", topics, t -> List.of(t.priority()));
            values(x, "TopicLabels", "TopicLabel", topics, BcfTopic::labels);
            values(x, "Users", "User", topics, t -> List.of(t.author()));
            x.writeEndElement();
          });
    }
  }

  private static void values(
      XMLStreamWriter x,
      String list,
      String item,
      List<BcfTopic> topics,
      Function<BcfTopic, List<String>> of)
      throws XMLStreamException {
    x.writeStartElement(list);
    TreeSet<String> all = new TreeSet<>();
    topics.forEach(t -> all.addAll(of.apply(t)));
    for (String v : all) {
      text(x, item, v);
    }
    x.writeEndElement();
  }

  private void topic(BcfTopic t) throws IOException, XMLStreamException {
    String view =
        UUID.nameUUIDFromBytes((t.guid() + "view").getBytes(StandardCharsets.UTF_8)).toString();
    xml(t.guid() + "/markup.bcf", x -> markup(x, t, view));
    if (t.camera() != null) {
      xml(t.guid() + "/viewpoint.bcfv", x -> viewpoint(x, t, view));
    }
    if (t.picture() != null) {
      entry(t.guid() + "/snapshot.png", Arrays.copyOf(t.picture(), t.picture().length));
    }
  }

  private void markup(XMLStreamWriter x, BcfTopic t, String view) throws XMLStreamException {
    x.writeStartElement("Markup");
    x.writeStartElement("Topic");
    x.writeAttribute("Guid", t.guid());
    x.writeAttribute("TopicType", t.type());
    x.writeAttribute("TopicStatus", t.status());
    text(x, "Title", t.title());
    text(x, "Priority", t.priority());
    if (isThree()) {
      x.writeStartElement("Labels");
    }
    for (String l : t.labels()) {
      text(x, isThree() ? "Label" : "Labels", l);
    }
    if (isThree()) {
      x.writeEndElement();
    }
    text(x, "CreationDate", t.created().truncatedTo(ChronoUnit.SECONDS).toString());
    text(x, "CreationAuthor", t.author());
    text(x, "Description", t.description());
    if (!isThree()) {
      x.writeEndElement();
    }
    if (t.camera() != null) {
      if (isThree()) {
        x.writeStartElement("Viewpoints");
      }
      x.writeStartElement(isThree() ? "ViewPoint" : "Viewpoints");
      x.writeAttribute("Guid", view);
      text(x, "Viewpoint", "viewpoint.bcfv");
      if (t.picture() != null) {
        text(x, "Snapshot", "snapshot.png");
      }
      x.writeEndElement();
      if (isThree()) {
        x.writeEndElement();
      }
    }
    if (isThree()) {
      x.writeEndElement();
    }
    x.writeEndElement();
  }

  private void viewpoint(XMLStreamWriter x, BcfTopic t, String view) throws XMLStreamException {
    x.writeStartElement("VisualizationInfo");
    x.writeAttribute("Guid", view);
    x.writeStartElement("Components");
    if (!isThree()) {
      hints(x);
    }
    if (!t.components().isEmpty()) {
      x.writeStartElement("Selection");
      for (BcfTopic.Component c : t.components()) {
        x.writeStartElement("Component");
        if (c.ifcGuid() != null) {
          x.writeAttribute("IfcGuid", c.ifcGuid());
        }
        if (c.id() != null) {
          text(x, "AuthoringToolId", c.id());
        }
        x.writeEndElement();
      }
      x.writeEndElement();
    }
    x.writeStartElement("Visibility");
    x.writeAttribute("DefaultVisibility", "true");
    if (isThree()) {
      hints(x);
    }
    x.writeEndElement();
    x.writeEndElement();
    x.writeStartElement("PerspectiveCamera");
    vector(x, "CameraViewPoint", t.camera().eye());
    vector(x, "CameraDirection", t.camera().direction());
    vector(x, "CameraUpVector", t.camera().up());
    text(x, "FieldOfView", "60");
    if (isThree()) {
      text(x, "AspectRatio", "1.5");
    }
    x.writeEndElement();
    x.writeEndElement();
  }

  /** Findings are mostly about spaces, which other programs hide unless told. */
  private static void hints(XMLStreamWriter x) throws XMLStreamException {
    x.writeEmptyElement("ViewSetupHints");
    x.writeAttribute("SpacesVisible", "true");
    x.writeAttribute("SpaceBoundariesVisible", "false");
    x.writeAttribute("OpeningsVisible", "false");
  }

  private static void vector(XMLStreamWriter x, String name, Vec3 v) throws XMLStreamException {
    x.writeStartElement(name);
    text(x, "X", number(v.x()));
    text(x, "Y", number(v.y()));
    text(x, "Z", number(v.z()));
    x.writeEndElement();
  }

  private static String number(double d) {
    return Double.toString(Math.round(d * 1e6) / 1e6);
  }

  private static void text(XMLStreamWriter x, String name, String text) throws XMLStreamException {
    x.writeStartElement(name);
    // signs that XML does not know would make the whole file unreadable
    x.writeCharacters(text.replaceAll("[\\x00-\\x08\\x0b\\x0c\\x0e-\\x1f\\ufffe\\uffff]", " "));
    x.writeEndElement();
  }
}
