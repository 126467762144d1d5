package mailshelf.core.expression;

import java.util.Optional;
import java.util.function.Function;
import java.util.function.IntPredicate;
import mailshelf.core.data.Cells;
import mailshelf.core.expression.Term.Truth;
import mailshelf.core.expression.Term.TruthAt;

/** Conditions of three values (Kleene): what depends on a missing value is unknown, and counts as no in the end. */
final class Logic {
    private Logic() {}

    static Term.Truths and(Term.Truths left, Term.Truths right) {
        return both(left, right, Truth.NO);
    }

    static Term.Truths or(Term.Truths left, Term.Truths right) {
        return both(left, right, Truth.YES);
    }

    /** @param decisive either being so settles it */
    private static Term.Truths both(Term.Truths left, Term.Truths right, Truth decisive) {
        return new Term.Truths(cells -> {
            TruthAt lefts = left.over().apply(cells);
            TruthAt rights = right.over().apply(cells);
            return row -> {
                Truth first = lefts.at(row);
                if (first == decisive) {
                    return decisive;
                }
                Truth second = rights.at(row);
                return second == decisive || first != Truth.UNKNOWN ? second : Truth.UNKNOWN;
            };
        });
    }

    static Term.Truths not(Term.Truths of) {
        return new Term.Truths(cells -> {
            TruthAt truths = of.over().apply(cells);
            return row -> switch (truths.at(row)) {
                case YES -> Truth.NO;
                case NO -> Truth.YES;
                case UNKNOWN -> Truth.UNKNOWN;
            };
        });
    }

    /** Whether there is no value; known in every case. */
    static Term.Truths missing(Term of) {
        return new Term.Truths(cells -> {
            IntPredicate none = none(of, cells);
            return row -> Truth.of(none.test(row));
        });
    }

    private static IntPredicate none(Term of, Cells cells) {
        if (of instanceof Term.Numbers numbers) {
            Cells.Numbers values = numbers.over().apply(cells);
            return row -> values.at(row) == Cells.Numbers.NONE;
        }
        if (of instanceof Term.Days days) {
            Cells.Days values = days.over().apply(cells);
            return row -> values.at(row) == Cells.Days.NONE;
        }
        if (of instanceof Term.Times times) {
            Cells.Numbers values = times.over().apply(cells);
            return row -> values.at(row) == Cells.Numbers.NONE;
        }
        if (of instanceof Term.Texts texts) {
            Cells.Texts values = texts.over().apply(cells);
            return row -> values.at(row).isEmpty();
        }
        TruthAt values = ((Term.Truths) of).over().apply(cells);
        return row -> values.at(row) == Truth.UNKNOWN;
    }

    /** What a comparison's sign asks of the order of two values. */
    interface Order {
        boolean holds(int compared);
    }

    /** The order that a sign asks for. */
    static Order order(String sign) {
        return switch (sign) {
            case "=" -> compared -> compared == 0;
            case "<>" -> compared -> compared != 0;
            case "<" -> compared -> compared < 0;
            case "<=" -> compared -> compared <= 0;
            case ">" -> compared -> compared > 0;
            case ">=" -> compared -> compared >= 0;
            default -> throw new IllegalStateException("Not a comparison: " + sign);
        };
    }

    /** Empty for types that cannot be compared with each other. */
    static Optional<Term.Truths> compare(Term left, Term right, Order order) {
        if (left instanceof Term.Numbers a && right instanceof Term.Numbers b) {
            return Optional.of(compare(a, b, order));
        }
        if (left instanceof Term.Texts a && right instanceof Term.Texts b) {
            return Optional.of(test(a, b, (one, other) -> order.holds(one.compareTo(other))));
        }
        if (left instanceof Term.Days a && right instanceof Term.Days b) {
            return Optional.of(compare(a, b, order));
        }
        return left instanceof Term.Times a && right instanceof Term.Times b
                ? Optional.of(compare(a.over(), b.over(), order))
                : Optional.empty();
    }

    private static Term.Truths compare(Term.Numbers left, Term.Numbers right, Order order) {
        int decimals = Math.max(left.decimals(), right.decimals());
        return compare(
                Arithmetic.scaled(left, decimals).over(),
                Arithmetic.scaled(right, decimals).over(),
                order);
    }

    private static Term.Truths compare(
            Function<Cells, Cells.Numbers> left, Function<Cells, Cells.Numbers> right, Order order) {
        return new Term.Truths(cells -> {
            Cells.Numbers lefts = left.apply(cells);
            Cells.Numbers rights = right.apply(cells);
            return row -> {
                long a = lefts.at(row);
                long b = rights.at(row);
                return a == Cells.Numbers.NONE || b == Cells.Numbers.NONE
                        ? Truth.UNKNOWN
                        : Truth.of(order.holds(Long.compare(a, b)));
            };
        });
    }

    private static Term.Truths compare(Term.Days left, Term.Days right, Order order) {
        return new Term.Truths(cells -> {
            Cells.Days lefts = left.over().apply(cells);
            Cells.Days rights = right.over().apply(cells);
            return row -> {
                int a = lefts.at(row);
                int b = rights.at(row);
                return a == Cells.Days.NONE || b == Cells.Days.NONE
                        ? Truth.UNKNOWN
                        : Truth.of(order.holds(Integer.compare(a, b)));
            };
        });
    }

    interface TextTest {
        boolean holds(String left, String right);
    }

    static Term.Truths test(Term.Texts left, Term.Texts right, TextTest test) {
        return new Term.Truths(cells -> {
            Cells.Texts lefts = left.over().apply(cells);
            Cells.Texts rights = right.over().apply(cells);
            return row -> {
                String a = lefts.at(row);
                String b = rights.at(row);
                return a.isEmpty() || b.isEmpty() ? Truth.UNKNOWN : Truth.of(test.holds(a, b));
            };
        });
    }

    private static Function<Cells, Cells.Numbers> choose(
            Term.Truths condition, Function<Cells, Cells.Numbers> then, Function<Cells, Cells.Numbers> otherwise) {
        return cells -> {
            TruthAt truths = condition.over().apply(cells);
            Cells.Numbers yes = then.apply(cells);
            Cells.Numbers no = otherwise.apply(cells);
            return row -> truths.at(row) == Truth.YES ? yes.at(row) : no.at(row);
        };
    }

    /** The one where a condition holds, the other where it does not or is unknown; both of one type. */
    static Term choose(Term.Truths condition, Term then, Term otherwise) {
        if (then instanceof Term.Numbers a && otherwise instanceof Term.Numbers b) {
            int decimals = Math.max(a.decimals(), b.decimals());
            return new Term.Numbers(
                    decimals,
                    choose(
                            condition,
                            Arithmetic.scaled(a, decimals).over(),
                            Arithmetic.scaled(b, decimals).over()));
        }
        if (then instanceof Term.Times a && otherwise instanceof Term.Times b) {
            return new Term.Times(choose(condition, a.over(), b.over()));
        }
        if (then instanceof Term.Texts a && otherwise instanceof Term.Texts b) {
            return new Term.Texts(cells -> {
                TruthAt truths = condition.over().apply(cells);
                Cells.Texts yes = a.over().apply(cells);
                Cells.Texts no = b.over().apply(cells);
                return row -> truths.at(row) == Truth.YES ? yes.at(row) : no.at(row);
            });
        }
        if (then instanceof Term.Days a && otherwise instanceof Term.Days b) {
            return new Term.Days(cells -> {
                TruthAt truths = condition.over().apply(cells);
                Cells.Days yes = a.over().apply(cells);
                Cells.Days no = b.over().apply(cells);
                return row -> truths.at(row) == Truth.YES ? yes.at(row) : no.at(row);
            });
        }
        Term.Truths a = (Term.Truths) then;
        Term.Truths b = (Term.Truths) otherwise;
        return new Term.Truths(cells -> {
            TruthAt truths = condition.over().apply(cells);
            TruthAt yes = a.over().apply(cells);
            TruthAt no = b.over().apply(cells);
            return row -> truths.at(row) == Truth.YES ? yes.at(row) : no.at(row);
        });
    }
}
