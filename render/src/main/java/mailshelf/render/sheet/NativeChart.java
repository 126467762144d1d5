package mailshelf.render.sheet;

import java.awt.Color;
import java.util.List;
import mailshelf.core.report.Block;
import mailshelf.core.report.Written;
import mailshelf.render.HouseColours;
import org.apache.poi.ss.util.CellRangeAddress;
import org.apache.poi.xddf.usermodel.XDDFColor;
import org.apache.poi.xddf.usermodel.XDDFLineProperties;
import org.apache.poi.xddf.usermodel.XDDFShapeProperties;
import org.apache.poi.xddf.usermodel.XDDFSolidFillProperties;
import org.apache.poi.xddf.usermodel.chart.AxisCrosses;
import org.apache.poi.xddf.usermodel.chart.AxisPosition;
import org.apache.poi.xddf.usermodel.chart.BarDirection;
import org.apache.poi.xddf.usermodel.chart.BarGrouping;
import org.apache.poi.xddf.usermodel.chart.ChartTypes;
import org.apache.poi.xddf.usermodel.chart.Grouping;
import org.apache.poi.xddf.usermodel.chart.LegendPosition;
import org.apache.poi.xddf.usermodel.chart.MarkerStyle;
import org.apache.poi.xddf.usermodel.chart.XDDFAreaChartData;
import org.apache.poi.xddf.usermodel.chart.XDDFBarChartData;
import org.apache.poi.xddf.usermodel.chart.XDDFCategoryAxis;
import org.apache.poi.xddf.usermodel.chart.XDDFChartData;
import org.apache.poi.xddf.usermodel.chart.XDDFDataSourcesFactory;
import org.apache.poi.xddf.usermodel.chart.XDDFLineChartData;
import org.apache.poi.xddf.usermodel.chart.XDDFValueAxis;
import org.apache.poi.xssf.usermodel.XSSFChart;
import org.apache.poi.xssf.usermodel.XSSFSheet;

/** A chart of the spreadsheet's own over cells, so that it can be worked on there. */
final class NativeChart {
    private static final int COLUMNS = 8;
    private static final int ROWS = 16;

    private NativeChart() {}

    /**
     * @param said the chart in words, for those who do not see it
     * @param headRow of its cells, whose first column holds the categories; a row a category follows it
     * @param column where it is put
     * @return the row behind it
     */
    static int draw(XSSFSheet sheet, Written.Chart chart, String said, int headRow, int column) {
        var drawing = sheet.createDrawingPatriarch();
        XSSFChart made = drawing.createChart(
                drawing.createAnchor(0, 0, 0, 0, column, headRow - 1, column + COLUMNS, headRow - 1 + ROWS));
        made.getGraphicFrame()
                .getCTGraphicalObjectFrame()
                .getNvGraphicFramePr()
                .getCNvPr()
                .setDescr(said);
        made.setTitleText(chart.title());
        made.setTitleOverlay(false);
        XDDFCategoryAxis across = made.createCategoryAxis(AxisPosition.BOTTOM);
        XDDFValueAxis up = made.createValueAxis(AxisPosition.LEFT);
        up.setCrosses(AxisCrosses.AUTO_ZERO);
        XDDFChartData data = data(made, chart, across, up);
        int first = headRow + 1;
        int last = headRow + chart.categories().size();
        var categories = XDDFDataSourcesFactory.fromStringCellRange(sheet, new CellRangeAddress(first, last, 0, 0));
        for (int s = 0; s < chart.series().size(); s++) {
            var values =
                    XDDFDataSourcesFactory.fromNumericCellRange(sheet, new CellRangeAddress(first, last, s + 1, s + 1));
            XDDFChartData.Series series = data.addSeries(categories, values);
            series.setTitle(chart.series().get(s).name(), null);
            colour(series, chart.kind(), s);
        }
        if (chart.series().size() > 1) {
            made.getOrAddLegend().setPosition(LegendPosition.RIGHT);
        }
        made.plot(data);
        return headRow - 1 + ROWS;
    }

    private static XDDFChartData data(XSSFChart made, Written.Chart chart, XDDFCategoryAxis across, XDDFValueAxis up) {
        switch (chart.kind()) {
            case LINE -> {
                XDDFLineChartData lines = (XDDFLineChartData) made.createData(ChartTypes.LINE, across, up);
                lines.setGrouping(Grouping.STANDARD);
                return lines;
            }
            case AREA -> {
                XDDFAreaChartData areas = (XDDFAreaChartData) made.createData(ChartTypes.AREA, across, up);
                areas.setGrouping(Grouping.STACKED);
                return areas;
            }
            case BARS, SHARE -> {
                XDDFBarChartData bars = (XDDFBarChartData) made.createData(ChartTypes.BAR, across, up);
                bars.setBarDirection(chart.overTime() ? BarDirection.COL : BarDirection.BAR);
                bars.setBarGrouping(BarGrouping.STACKED);
                bars.setVaryColors(false);
                bars.setOverlap((byte) 100);
                return bars;
            }
        }
        throw new IllegalStateException("No chart of " + chart.kind());
    }

    private static void colour(XDDFChartData.Series series, Block.ChartKind kind, int number) {
        List<Color> colours = kind == Block.ChartKind.LINE ? HouseColours.LINES : HouseColours.STACK;
        Color colour = colours.get(number % colours.size());
        var fill = new XDDFSolidFillProperties(
                XDDFColor.from(new byte[] {(byte) colour.getRed(), (byte) colour.getGreen(), (byte) colour.getBlue()}));
        XDDFShapeProperties properties = new XDDFShapeProperties();
        if (kind == Block.ChartKind.LINE) {
            properties.setLineProperties(new XDDFLineProperties(fill));
            ((XDDFLineChartData.Series) series).setMarkerStyle(MarkerStyle.NONE);
        } else {
            properties.setFillProperties(fill);
        }
        series.setShapeProperties(properties);
    }
}
