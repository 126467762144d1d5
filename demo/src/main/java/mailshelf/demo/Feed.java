package mailshelf.demo;

import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.SplittableRandom;
import java.util.random.RandomGenerator;
import java.util.stream.Stream;
import mailshelf.core.data.Column;

/** Rows that the made-up operator's systems hand out: the same day gives the same rows, whenever it is asked for. */
interface Feed {
    /** Name of the data set that it goes into. */
    String dataSet();

    /** Its columns, the first of which is the day. */
    List<Column> columns();

    /** The rows of a day, as CSV records. */
    Stream<List<String>> of(LocalDate day);

    /** How many months of it there are on the demo's first day. */
    default int months() {
        return DemoHouse.MONTHS_OF_DATA;
    }

    /** Chance that is the same for the same day. */
    default RandomGenerator chance(LocalDate day) {
        return new SplittableRandom(dataSet().hashCode() * 31L + day.toEpochDay() * 0x9E3779B97F4A7C15L);
    }

    /** As a CSV file has it, with a point. */
    static String decimal(double value, int decimals) {
        return String.format(Locale.ROOT, "%." + decimals + "f", value);
    }

    static boolean isSummer(LocalDate day) {
        return day.getMonthValue() >= 6 && day.getMonthValue() <= 8;
    }

    static boolean isWinter(LocalDate day) {
        return day.getMonthValue() <= 2 || day.getMonthValue() >= 11;
    }
}
