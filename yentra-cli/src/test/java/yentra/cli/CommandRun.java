package yentra.cli;

import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A call of the command line, with what it printed. */
record CommandRun(int exit, String out, String err) {
  JsonNode json() {
    return JsonMapper.builder().build().readTree(out);
  }

  static CommandRun of(Object... args) {
    PrintStream out = System.out;
    PrintStream err = System.err;
    ByteArrayOutputStream o = new ByteArrayOutputStream();
    ByteArrayOutputStream e = new ByteArrayOutputStream();
    try {
      System.setOut(new PrintStream(o, true, StandardCharsets.UTF_8));
      System.setErr(new PrintStream(e, true, StandardCharsets.UTF_8));
      int exit =
          Main.commandLine()
              .execute(Arrays.stream(args).map(Object::toString).toArray(String[]::new));
      return new CommandRun(
          exit, o.toString(StandardCharsets.UTF_8), e.toString(StandardCharsets.UTF_8));
    } finally {
      System.setOut(out);
      System.setErr(err);
    }
  }
}
