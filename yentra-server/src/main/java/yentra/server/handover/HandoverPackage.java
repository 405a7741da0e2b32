package yentra.server.handover;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/** All files of a handover in one archive. */
final class HandoverPackage {
  private HandoverPackage() {}

  /** Writes the archive; entries have the moment of the handover, so that it is the same always. */
  static byte[] of(List<HandoverStore.Sent> files, String recordName, byte[] record, Instant at) {
    ByteArrayOutputStream out = new ByteArrayOutputStream(1 << 16);
    try (ZipOutputStream zip = new ZipOutputStream(out)) {
      for (HandoverStore.Sent f : files) {
        entry(zip, f.fileName(), f.bytes(), at);
      }
      if (record != null) {
        entry(zip, recordName, record, at);
      }
    } catch (IOException e) {
      throw new UncheckedIOException("writing to memory", e);
    }
    return out.toByteArray();
  }

  private static void entry(ZipOutputStream zip, String name, byte[] bytes, Instant at)
      throws IOException {
    ZipEntry e = new ZipEntry(name);
    e.setTimeLocal(LocalDateTime.ofInstant(at, ZoneOffset.UTC));
    zip.putNextEntry(e);
    zip.write(bytes);
    zip.closeEntry();
  }
}
