package yentra.core.intake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import yentra.core.envelope.ReadLimits;
import yentra.core.envelope.UnreadableException;

class IfcArchiveTest {
  private static byte[] zip(Object... namesAndContents) throws Exception {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try (ZipOutputStream zip = new ZipOutputStream(out)) {
      for (int i = 0; i < namesAndContents.length; i += 2) {
        zip.putNextEntry(new ZipEntry((String) namesAndContents[i]));
        zip.write((byte[]) namesAndContents[i + 1]);
      }
    }
    return out.toByteArray();
  }

  private static final byte[] TEXT = "ISO-10303-21;".getBytes(StandardCharsets.US_ASCII);

  private static void refused(byte[] bytes, String why) {
    assertThatThrownBy(() -> IfcArchive.unpack(bytes, ReadLimits.standard()))
        .isInstanceOf(UnreadableException.class)
        .hasMessageContaining(why);
  }

  @Test
  void theOneFileInsideIsRead() throws Exception {
    assertThat(
            IfcArchive.unpack(
                zip("notes.txt", new byte[3], "model/House.IFC", TEXT), ReadLimits.standard()))
        .isEqualTo(TEXT);
  }

  @Test
  void anythingElseIsRefusedWithTheReason() throws Exception {
    refused(zip("notes.txt", TEXT), "no .ifc file");
    refused(zip("a.ifc", TEXT, "b.ifc", TEXT), "2 .ifc files");
    refused(zip("../a.ifc", TEXT), "outside of itself");
    refused(zip("..\\a.ifc", TEXT), "outside of itself");
    refused(zip("/etc/a.ifc", TEXT), "outside of itself");
    refused("PK\u0003\u0004rest".getBytes(StandardCharsets.ISO_8859_1), "damaged");
    refused(zip("a.ifc", new byte[50_000_000]), "unpacks to more");
  }
}
