package yentra.core.climate;

import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;

/** A stream that fails when it is longer than it may be. */
final class Limited extends FilterInputStream {
  private long left;

  /** More came than may. */
  static final class TooLargeException extends IOException {
    private static final long serialVersionUID = 1L;
  }

  Limited(InputStream in, long most) {
    super(in);
    this.left = most;
  }

  @Override
  public int read() throws IOException {
    int b = super.read();
    count(b < 0 ? 0 : 1);
    return b;
  }

  @Override
  public int read(byte[] to, int from, int most) throws IOException {
    int n = super.read(to, from, most);
    count(Math.max(0, n));
    return n;
  }

  private void count(int n) throws TooLargeException {
    left -= n;
    if (left < 0) {
      throw new TooLargeException();
    }
  }
}
