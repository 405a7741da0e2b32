package yentra.core.intake;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.apache.commons.compress.archivers.zip.ZipArchiveEntry;
import org.apache.commons.compress.archivers.zip.ZipFile;
import org.apache.commons.compress.utils.SeekableInMemoryByteChannel;
import yentra.core.envelope.ReadLimits;
import yentra.core.envelope.UnreadableException;

/** Unpacks .ifczip archives in memory; nothing is ever written to a place an entry names. */
final class IfcArchive {
  private static final int MOST_ENTRIES = 1000;

  /** Text packs to a tenth or so; a file that unpacks to far more is no IFC text. */
  private static final int MOST_RATIO = 200;

  private IfcArchive() {}

  /**
   * The IFC file in the archive.
   *
   * @throws UnreadableException when the archive is damaged, holds no IFC file or several, names a
   *     place outside of itself, is encrypted, or unpacks to more than the limits allow
   */
  static byte[] unpack(byte[] bytes, ReadLimits limits) throws UnreadableException {
    try (ZipFile zip =
        ZipFile.builder().setSeekableByteChannel(new SeekableInMemoryByteChannel(bytes)).get()) {
      ZipArchiveEntry entry = only(zip);
      if (!zip.canReadEntryData(entry)) {
        throw refused("The archive is encrypted. Pack it again without a password.");
      }
      long most = Math.min(limits.bytes(), Math.max(1 << 20, (long) bytes.length * MOST_RATIO));
      try (InputStream in = zip.getInputStream(entry)) {
        return read(in, entry.getSize(), most);
      }
    } catch (IOException | IllegalArgumentException e) {
      throw refused("The zip archive is damaged. Transfer or export it again.");
    }
  }

  private static byte[] read(InputStream in, long size, long most)
      throws IOException, UnreadableException {
    if (size > most) {
      throw tooLarge(most);
    }
    ByteArrayOutputStream out =
        new ByteArrayOutputStream((int) Math.min(Integer.MAX_VALUE - 16, Math.max(1024, size)));
    byte[] buffer = new byte[1 << 16];
    for (int n = in.read(buffer); n >= 0; n = in.read(buffer)) {
      out.write(buffer, 0, n);
      if (out.size() > most) {
        throw tooLarge(most);
      }
    }
    return out.toByteArray();
  }

  private static ZipArchiveEntry only(ZipFile zip) throws UnreadableException {
    List<ZipArchiveEntry> found = new ArrayList<>();
    int count = 0;
    for (ZipArchiveEntry e : (Iterable<ZipArchiveEntry>) zip.getEntries()::asIterator) {
      String name = e.getName().replace('\\', '/');
      if (++count > MOST_ENTRIES) {
        throw refused("The archive has more than " + MOST_ENTRIES + " entries.");
      }
      if (name.startsWith("/") || name.contains("../") || name.matches("^[A-Za-z]:.*")) {
        throw refused(
            "The archive names a place outside of itself ("
                + name
                + "), which no IFC archive does.");
      }
      if (!e.isDirectory() && name.toLowerCase(Locale.ROOT).endsWith(".ifc")) {
        found.add(e);
      }
    }
    if (found.size() != 1) {
      throw refused(
          found.isEmpty()
              ? "The archive holds no .ifc file. Unpack it and bring in the file inside."
              : "The archive holds " + found.size() + " .ifc files. Bring them in one by one.");
    }
    return found.get(0);
  }

  private static UnreadableException tooLarge(long most) {
    return refused("The archive unpacks to more than " + most / 1_000_000 + " MB.");
  }

  private static UnreadableException refused(String message) {
    return new UnreadableException(message, 1, 1);
  }
}
