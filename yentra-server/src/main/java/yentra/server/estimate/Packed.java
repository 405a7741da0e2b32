package yentra.server.estimate;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.zip.DeflaterOutputStream;
import java.util.zip.InflaterInputStream;

/** Bytes made small for the database. */
final class Packed {
  private Packed() {}

  static byte[] deflate(byte[] bytes) {
    ByteArrayOutputStream out = new ByteArrayOutputStream(bytes.length / 2);
    try (DeflaterOutputStream d = new DeflaterOutputStream(out)) {
      d.write(bytes);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return out.toByteArray();
  }

  static byte[] inflate(byte[] packed) {
    try (InflaterInputStream in = new InflaterInputStream(new ByteArrayInputStream(packed))) {
      return in.readAllBytes();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
