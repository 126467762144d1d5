package mailshelf.core.data;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Random;
import java.util.stream.LongStream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class RanksTest {
    /** Counted where they lie close together, sorted where they lie far apart, to the ends of what can be said. */
    @ParameterizedTest
    @ValueSource(longs = {1, 3, 1000, 65_536, 65_537, 1L << 40, Long.MAX_VALUE})
    void counted_or_sorted_they_stand_where_plain_sorting_puts_them(long span) {
        Random random = new Random(span);
        for (int size : new int[] {1, 2, 3, 50, 70_000}) {
            long from = span == Long.MAX_VALUE ? Long.MIN_VALUE / 2 - 1 : random.nextInt(2000) - 1000L;
            long[] values = random.longs(size)
                    .map(value -> from + Long.remainderUnsigned(value, span))
                    .toArray();
            long[] plain = LongStream.of(values).sorted().toArray();

            Ranks ranks = new Ranks(values);

            assertThat(ranks.distinct())
                    .isEqualTo((int) LongStream.of(plain).distinct().count());
            for (int rank : new int[] {0, size / 2, size - 1}) {
                assertThat(ranks.at(rank))
                        .as("%d of %d, seed %d", rank, size, span)
                        .isEqualTo(plain[rank]);
            }
        }
    }
}
