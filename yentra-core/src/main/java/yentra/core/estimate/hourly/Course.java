package yentra.core.estimate.hourly;

/**
 * Something that goes by the hours of the year: a value, or a value times a schedule that others
 * share.
 *
 * @param factor of each hour, or null for 1 at all times
 */
record Course(double value, double[] factor) {
  static final Course NONE = new Course(0, null);

  static Course of(double value) {
    return new Course(value, null);
  }

  double at(int hour) {
    return factor == null ? value : value * factor[hour];
  }

  double sum(int hours) {
    double sum = 0;
    for (int h = 0; h < hours; h++) {
      sum += at(h);
    }
    return sum;
  }
}
