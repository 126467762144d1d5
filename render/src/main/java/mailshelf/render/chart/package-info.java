/**
 * Decides how charts are drawn, everywhere: on JFreeChart with the house's colours and direct labels.
 * Open {@link mailshelf.render.chart.ChartPainter} first.
 */
package mailshelf.render.chart;
