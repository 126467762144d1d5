package mailshelf.core.expression;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.time.temporal.IsoFields;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.ToIntFunction;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import mailshelf.core.data.Cells;
import mailshelf.core.data.Column;
import mailshelf.core.data.NumberText;

/** The functions of the language, by name. */
final class Functions {
    /** What is handed over in brackets. */
    record Arguments(String name, List<Term> terms) {
        <T extends Term> Optional<T> of(Class<T> type, int position) {
            return position < terms.size() && type.isInstance(terms.get(position))
                    ? Optional.of(type.cast(terms.get(position)))
                    : Optional.empty();
        }

        boolean areAll(Class<? extends Term> type) {
            return terms.stream().allMatch(type::isInstance);
        }

        String types() {
            return terms.stream().map(Term::type).collect(Collectors.joining(", "));
        }
    }

    private interface Function {
        /** Empty where the arguments do not fit. */
        Optional<Term> of(Arguments arguments);
    }

    /** @param takes as messages and documentation write it */
    private record Entry(String takes, Function function) {}

    private static final Map<String, Entry> ALL = Map.ofEntries(
            Map.entry(
                    "abs",
                    new Entry("a number", in -> number(in, 1).map(n -> Arithmetic.each(n.decimals(), n, Math::abs)))),
            Map.entry("round", new Entry("a number and how many decimals, 0 to 9", Functions::round)),
            Map.entry("year", new Entry("a day or a time", in -> ofDay(in, LocalDate::getYear))),
            Map.entry(
                    "quarter",
                    new Entry("a day or a time", in -> ofDay(in, day -> day.get(IsoFields.QUARTER_OF_YEAR)))),
            Map.entry("month", new Entry("a day or a time", in -> ofDay(in, LocalDate::getMonthValue))),
            Map.entry(
                    "week",
                    new Entry("a day or a time", in -> ofDay(in, day -> day.get(IsoFields.WEEK_OF_WEEK_BASED_YEAR)))),
            Map.entry(
                    "weekday",
                    new Entry(
                            "a day or a time",
                            in -> ofDay(in, day -> day.getDayOfWeek().getValue()))),
            Map.entry("day", new Entry("a day or a time", in -> ofDay(in, LocalDate::getDayOfMonth))),
            Map.entry("date", new Entry("a time", in -> ofTime(in, Calendar::dayOf))),
            Map.entry("hour", new Entry("a time", in -> ofTime(in, Calendar::hourOf))),
            Map.entry("minute", new Entry("a time", in -> ofTime(in, Calendar::minuteOf))),
            Map.entry("length", new Entry("a text", in -> text(in, 1).map(Functions::length))),
            Map.entry("lower", new Entry("a text", in -> ofText(in, text -> text.toLowerCase(Locale.ROOT)))),
            Map.entry("upper", new Entry("a text", in -> ofText(in, text -> text.toUpperCase(Locale.ROOT)))),
            Map.entry(
                    "left",
                    new Entry(
                            "a text and how many characters", in -> part(in, (text, many) -> text.substring(0, many)))),
            Map.entry(
                    "right",
                    new Entry(
                            "a text and how many characters",
                            in -> part(in, (text, many) -> text.substring(text.length() - many)))),
            Map.entry("contains", new Entry("two texts", in -> twoTexts(in, String::contains))),
            Map.entry("starts", new Entry("two texts", in -> twoTexts(in, String::startsWith))),
            Map.entry("ends", new Entry("two texts", in -> twoTexts(in, String::endsWith))),
            Map.entry("min", new Entry("numbers, days or times", in -> extreme(in, Logic.order("<=")))),
            Map.entry("max", new Entry("numbers, days or times", in -> extreme(in, Logic.order(">=")))),
            Map.entry("first", new Entry("values of one type", Functions::first)),
            Map.entry("number", new Entry("a text and how many decimals, 0 to 9", Functions::number)),
            Map.entry("text", new Entry("a number, a day or a time", Functions::text)));

    private Functions() {}

    static boolean has(String name) {
        return ALL.containsKey(name);
    }

    static String names() {
        return ALL.keySet().stream().sorted().collect(Collectors.joining(", "));
    }

    static String takes(String name) {
        return ALL.get(name).takes();
    }

    static Optional<Term> of(Arguments arguments) {
        return ALL.get(arguments.name()).function().of(arguments);
    }

    private static Optional<Term.Numbers> number(Arguments in, int size) {
        return in.terms().size() == size ? in.of(Term.Numbers.class, 0) : Optional.empty();
    }

    private static Optional<Term.Texts> text(Arguments in, int size) {
        return in.terms().size() == size ? in.of(Term.Texts.class, 0) : Optional.empty();
    }

    /** A whole number that is written out: it says of which type the result is, so it cannot differ by row. */
    private static Optional<Integer> decimals(Arguments in) {
        return in.of(Term.Numbers.class, 1)
                .filter(number -> number.decimals() == 0 && number.written().isPresent())
                .map(number -> number.written().getAsLong())
                .filter(decimals -> decimals >= 0 && decimals <= Column.MOST_DECIMALS)
                .map(Long::intValue);
    }

    private static Optional<Term> round(Arguments in) {
        return number(in, 2).flatMap(n -> decimals(in).map(decimals -> Arithmetic.scaled(n, decimals)));
    }

    private static Optional<Term> ofDay(Arguments in, ToIntFunction<LocalDate> part) {
        return in.terms().size() == 1
                ? day(in).map(days -> new Term.Numbers(0, cells -> {
                    Cells.Days values = days.over().apply(cells);
                    return row -> {
                        int day = values.at(row);
                        return day == Cells.Days.NONE ? Cells.Numbers.NONE : part.applyAsInt(LocalDate.ofEpochDay(day));
                    };
                }))
                : Optional.empty();
    }

    /** The day that is handed over, or that of a time. */
    private static Optional<Term.Days> day(Arguments in) {
        return in.of(Term.Days.class, 0).or(() -> in.of(Term.Times.class, 0).map(Calendar::dayOf));
    }

    private static <T extends Term> Optional<Term> ofTime(
            Arguments in, java.util.function.Function<Term.Times, T> part) {
        return in.terms().size() == 1 ? in.of(Term.Times.class, 0).map(part) : Optional.empty();
    }

    private static Term length(Term.Texts of) {
        return new Term.Numbers(0, cells -> {
            Cells.Texts values = of.over().apply(cells);
            return row -> values.at(row).codePointCount(0, values.at(row).length());
        });
    }

    private static Optional<Term> ofText(Arguments in, UnaryOperator<String> change) {
        return text(in, 1)
                .map(texts -> new Term.Texts(cells -> {
                    Cells.Texts values = texts.over().apply(cells);
                    return row -> change.apply(values.at(row));
                }));
    }

    private interface Part {
        String of(String text, int many);
    }

    private static Optional<Term> part(Arguments in, Part part) {
        return text(in, 2)
                .flatMap(texts -> in.of(Term.Numbers.class, 1)
                        .map(numbers -> new Term.Texts(cells -> {
                            Cells.Texts values = texts.over().apply(cells);
                            Cells.Numbers lengths =
                                    Arithmetic.scaled(numbers, 0).over().apply(cells);
                            return row -> {
                                String text = values.at(row);
                                long many = lengths.at(row);
                                return many == Cells.Numbers.NONE
                                        ? ""
                                        : part.of(text, (int) Math.max(0, Math.min(many, text.length())));
                            };
                        })));
    }

    private static Optional<Term> twoTexts(Arguments in, Logic.TextTest test) {
        return text(in, 2).flatMap(first -> in.of(Term.Texts.class, 1).map(second -> Logic.test(first, second, test)));
    }

    /** @param wins whether the one stays before the other */
    private static Optional<Term> extreme(Arguments in, Logic.Order wins) {
        boolean ordered = in.areAll(Term.Numbers.class) || in.areAll(Term.Times.class) || in.areAll(Term.Days.class);
        return ordered && in.terms().size() > 1
                ? in.terms().stream()
                        .reduce((a, b) -> Logic.choose(
                                comparedOrMissing(Logic.compare(a, b, wins).orElseThrow(), a), a, b))
                : Optional.empty();
    }

    /** One that is missing makes the whole missing, be it the first or the second. */
    private static Term.Truths comparedOrMissing(Term.Truths compared, Term first) {
        return Logic.or(Logic.missing(first), compared);
    }

    /** The first that is not missing. */
    private static Optional<Term> first(Arguments in) {
        boolean alike = in.terms().size() > 1
                && in.terms().stream().map(Term::type).distinct().count() == 1;
        return alike
                ? in.terms().stream().reduce((a, b) -> Logic.choose(Logic.not(Logic.missing(a)), a, b))
                : Optional.empty();
    }

    private static Optional<Term> number(Arguments in) {
        return text(in, 2)
                .flatMap(texts -> decimals(in)
                        .map(decimals -> new Term.Numbers(decimals, cells -> {
                            Cells.Texts values = texts.over().apply(cells);
                            return row -> parsed(values.at(row), decimals);
                        })));
    }

    private static long parsed(String text, int decimals) {
        try {
            return NumberText.read(text.strip())
                    .map(number -> number.setScale(decimals, RoundingMode.HALF_UP)
                            .unscaledValue()
                            .longValueExact())
                    .orElse(Cells.Numbers.NONE);
        } catch (ArithmeticException tooLarge) {
            return Cells.Numbers.NONE;
        }
    }

    private static Optional<Term> text(Arguments in) {
        if (in.terms().size() != 1) {
            return Optional.empty();
        }
        return in.of(Term.Numbers.class, 0)
                .<Term>map(Functions::texts)
                .or(() -> in.of(Term.Days.class, 0).map(Functions::texts))
                .or(() -> in.of(Term.Times.class, 0).map(Calendar::texts));
    }

    static Term.Texts texts(Term.Numbers numbers) {
        return new Term.Texts(cells -> {
            Cells.Numbers values = numbers.over().apply(cells);
            return row -> values.at(row) == Cells.Numbers.NONE
                    ? ""
                    : BigDecimal.valueOf(values.at(row), numbers.decimals()).toPlainString();
        });
    }

    static Term.Texts texts(Term.Days days) {
        return new Term.Texts(cells -> {
            Cells.Days values = days.over().apply(cells);
            return row -> values.at(row) == Cells.Days.NONE
                    ? ""
                    : LocalDate.ofEpochDay(values.at(row)).toString();
        });
    }
}
