package mailshelf.render.chart;

/**
 * What lies at one place of a chart's axis: the outline to point at or to move to by key, and its exact values in
 * words. In the drawing's own units.
 *
 * @param key what its place on the axis is known by
 */
public record Mark(double x, double y, double width, double height, String key, String label) {}
