package yentra.cli;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import yentra.core.intake.DeliveryReader;

/** A delivered file on disk. */
record FileSource(Path path) implements DeliveryReader.Source {
  @Override
  public InputStream open() throws IOException {
    if (Files.isDirectory(path)) {
      throw new IOException(path + " is a directory, not a file.");
    }
    return Files.newInputStream(path);
  }

  @Override
  public long length() throws IOException {
    return Files.size(path);
  }
}
