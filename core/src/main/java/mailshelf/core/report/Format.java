package mailshelf.core.report;

/**
 * How a figure is to be written: its unit ("" for a count) and the digits behind the point that say something.
 *
 * @param good which direction is good news
 */
public record Format(String unit, int decimals, Good good) {}
