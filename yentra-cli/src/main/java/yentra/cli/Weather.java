package yentra.cli;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import yentra.core.climate.EpwReader;
import yentra.core.climate.WeatherYear;
import yentra.core.envelope.UnreadableException;

/** Weather files as the command line names them. */
final class Weather {
  private Weather() {}

  static WeatherYear read(Path file) throws IOException, UnreadableException {
    try (InputStream in = Files.newInputStream(file)) {
      return EpwReader.read(in);
    }
  }
}
