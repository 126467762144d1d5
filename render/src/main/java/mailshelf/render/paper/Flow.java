package mailshelf.render.paper;

/** The place on the paper that is set next. */
final class Flow {
    private final Sheets sheets;
    private final double margin;

    private Sheets.Sheet sheet;
    private Pen pen;
    private boolean turned;
    private double y;

    /** @param margin at the left and right, in points */
    Flow(Sheets sheets, double margin) {
        this.sheets = sheets;
        this.margin = margin;
    }

    /** Goes on at the top of a fresh sheet. */
    void turnOver(boolean turnedSheet) {
        sheet = sheets.next(turnedSheet);
        turned = turnedSheet;
        pen = new Pen(sheet.graphics());
        y = sheet.topPt();
    }

    /** Goes on at the top of a fresh sheet like this one. */
    void turnOver() {
        turnOver(turned);
    }

    /** Has sheets lie or stand from here on, with a fresh one where this does not. */
    void orient(boolean turnedSheet) {
        if (turned != turnedSheet) {
            turnOver(turnedSheet);
        }
    }

    boolean canTurn() {
        return sheets.canTurn();
    }

    Structure structure() {
        return sheets.structure();
    }

    Pen pen() {
        return pen;
    }

    double left() {
        return margin;
    }

    double width() {
        return width(turned);
    }

    /** Between the margins of a sheet that lies or stands. */
    double width(boolean turnedSheet) {
        return sheets.widthPt(turnedSheet) - 2 * margin;
    }

    double y() {
        return y;
    }

    void moveTo(double newY) {
        y = newY;
    }

    void down(double by) {
        y += by;
    }

    /** What is left of this sheet. */
    double room() {
        return sheet.bottomPt() - y;
    }

    /** What an empty sheet like this one holds. */
    double wholeRoom() {
        return sheet.bottomPt() - sheet.topPt();
    }
}
