package mailshelf.server.data;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.Reader;
import java.io.SequenceInputStream;
import java.nio.charset.Charset;
import java.nio.charset.CodingErrorAction;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import mailshelf.core.Problem;
import mailshelf.core.data.Column;
import mailshelf.core.data.csv.CsvForm;
import mailshelf.core.data.csv.DateForm;
import mailshelf.core.data.csv.DecimalMark;
import mailshelf.core.data.csv.Encoding;
import mailshelf.core.data.csv.Inspection;
import mailshelf.core.data.csv.Meant;

/** A CSV file that is being sent: its beginning is looked at, then all of it is read. */
public final class IncomingCsv {
    private static final int HEAD = 1 << 20;

    private final Meant meant;
    private final byte[] head;
    private final InputStream rest;
    private final Encoding encoding;
    private final Inspection inspection;

    /**
     * @param zone whose clocks its times are taken to be of, where columns are not known yet
     * @param meant how values are read that can be read in two ways
     * @throws Problem for a beginning that is no CSV with a line of names
     */
    public IncomingCsv(InputStream in, ZoneId zone, Meant meant) throws IOException {
        this.meant = meant;
        this.head = in.readNBytes(HEAD);
        this.rest = in;
        this.encoding = Encoding.of(head);
        String text = new String(head, encoding.mark(), head.length - encoding.mark(), encoding.charset());
        this.inspection = Inspection.of(text, head.length < HEAD, zone, meant.decimalMark());
    }

    public Inspection inspection() {
        return inspection;
    }

    Charset charset() {
        return encoding.charset();
    }

    /** All of the text; once. What is not in the encoding is an error, not a question mark. */
    public Reader reader() {
        InputStream text = new ByteArrayInputStream(head, encoding.mark(), head.length - encoding.mark());
        return new InputStreamReader(
                new SequenceInputStream(text, rest),
                encoding.charset()
                        .newDecoder()
                        .onMalformedInput(CodingErrorAction.REPORT)
                        .onUnmappableCharacter(CodingErrorAction.REPORT));
    }

    /**
     * How it is written, for columns that are known already.
     *
     * @throws Problem {@code data.ambiguous-dates}, {@code data.ambiguous-numbers} where something has to be said and is not
     */
    public CsvForm form(List<Column> columns) {
        Map<String, DateForm> dates = new HashMap<>();
        for (Inspection.Found found : inspection.columns()) {
            String name = found.column().name();
            boolean hasDays = columns.stream()
                    .anyMatch(column -> column.hasDays() && column.name().equals(name));
            if (hasDays && !found.dateForms().isEmpty()) {
                dates.put(name, dateForm(found));
            }
        }
        CsvForm form = inspection.form();
        return new CsvForm(form.separator(), decimalMark(columns), dates, form.units());
    }

    /**
     * For columns that were found in it, whose decimals come from how it was read.
     *
     * @throws Problem {@code data.ambiguous-numbers} where its numbers fit both marks and nobody has said which is meant
     */
    public void requireDecidedNumbers() {
        if (meant.decimalMark().isEmpty() && inspection.marks().size() > 1) {
            throw Problem.invalid("data.ambiguous-numbers");
        }
    }

    private DateForm dateForm(Inspection.Found found) {
        if (!found.isAmbiguous()) {
            return found.dateForms().get(0);
        }
        return meant.dates()
                .filter(found.dateForms()::contains)
                .orElseThrow(() ->
                        Problem.invalid("data.ambiguous-dates", found.column().name()));
    }

    /** Columns that keep no third decimal cannot mean 1,234 by it. */
    private DecimalMark decimalMark(List<Column> columns) {
        if (meant.decimalMark().isPresent() || inspection.marks().size() == 1) {
            return inspection.form().decimalMark();
        }
        List<DecimalMark> fitting = inspection.marks().stream()
                .filter(mark -> inspection.fits(mark, columns))
                .toList();
        if (fitting.size() > 1) {
            throw Problem.invalid("data.ambiguous-numbers");
        }
        return fitting.isEmpty() ? inspection.form().decimalMark() : fitting.get(0);
    }
}
