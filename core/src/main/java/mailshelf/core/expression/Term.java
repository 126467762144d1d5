package mailshelf.core.expression;

import java.util.OptionalLong;
import java.util.function.Function;
import mailshelf.core.data.Cells;

/** A typed part of an expression, which can be computed over the rows of a table. */
sealed interface Term {
    /** As messages name its type. */
    String type();

    /**
     * Numbers.
     *
     * @param decimals of its unscaled numbers
     * @param written the number where it is written out, unscaled
     */
    record Numbers(int decimals, Function<Cells, Cells.Numbers> over, OptionalLong written) implements Term {
        Numbers(int decimals, Function<Cells, Cells.Numbers> over) {
            this(decimals, over, OptionalLong.empty());
        }

        @Override
        public String type() {
            return "a number";
        }
    }

    /** Texts; "" for none. */
    record Texts(Function<Cells, Cells.Texts> over) implements Term {
        @Override
        public String type() {
            return "a text";
        }
    }

    /** Days. */
    record Days(Function<Cells, Cells.Days> over) implements Term {
        @Override
        public String type() {
            return "a day";
        }
    }

    /** Days with a time, in seconds since 1970-01-01T00:00. */
    record Times(Function<Cells, Cells.Numbers> over) implements Term {
        @Override
        public String type() {
            return "a time";
        }
    }

    /** Conditions. */
    record Truths(Function<Cells, TruthAt> over) implements Term {
        @Override
        public String type() {
            return "a condition";
        }
    }

    /** Whether something holds in a row. */
    enum Truth {
        YES,
        NO,
        /** It depends on a value that is missing. */
        UNKNOWN;

        static Truth of(boolean holds) {
            return holds ? YES : NO;
        }
    }

    /** Conditions by row. */
    interface TruthAt {
        Truth at(int row);
    }
}
