package yentra.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import yentra.core.scope.IdsReader;
import yentra.core.scope.ScopeSheet;
import yentra.core.scope.ScopeSheetException;
import yentra.core.scope.SheetWorkbook;
import yentra.core.scope.ShippedSheets;

/** Finds the scope sheet that a call names: one that ships, or an XLSX or IDS file. */
final class Sheets {
  private static final long LARGEST = 20_000_000;

  private Sheets() {}

  static ScopeSheet read(String named) throws IOException {
    switch (named.toLowerCase(Locale.ROOT)) {
      case "geometry":
        return ShippedSheets.geometry();
      case "thermal":
        return ShippedSheets.thermal();
      case "programme":
        return ShippedSheets.programme();
      default:
        return file(Path.of(named));
    }
  }

  private static ScopeSheet file(Path file) throws IOException {
    if (!Files.isRegularFile(file)) {
      throw new IOException(
          file
              + ": there is no such scope sheet. Name an XLSX or IDS file, or geometry, thermal or programme.");
    }
    if (Files.size(file) > LARGEST) {
      throw new IOException(file + " has more than 20 MB, which no scope sheet needs.");
    }
    byte[] bytes = Files.readAllBytes(file);
    try {
      return bytes.length > 1 && bytes[0] == 'P' && bytes[1] == 'K'
          ? SheetWorkbook.read(bytes)
          : IdsReader.read(bytes);
    } catch (ScopeSheetException e) {
      throw new IOException(file + ": " + e.sentence());
    }
  }
}
