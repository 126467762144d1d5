package mailshelf.core.wording;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.function.Function;
import org.junit.jupiter.api.Test;

class AlphabetTest {
    private static final List<String> NAMES =
            List.of("", "Age out", "age", "Ål", "Ärlig", "arm", "Berth 1", "Berth 10", "berths", "Zoë", "Øl", "東");

    @Test
    void letters_with_marks_and_capitals_stand_beside_their_letter() {
        assertThat(Alphabet.sorted(List.of("Zebra", "Ärlig", "apple", "Öl", "Berth", "over"), Function.identity()))
                .containsExactly("apple", "Ärlig", "Berth", "Öl", "over", "Zebra");
    }

    @Test
    void many_are_sorted_as_two_are_compared() {
        List<String> some = new ArrayList<>(NAMES);
        // the same letters by other code points: equal in the alphabet, and told apart all the same
        some.add("Zoe\u0308");
        Collections.shuffle(some, new Random(5));
        String[] sorted = some.toArray(String[]::new);
        Alphabet.order().sort(sorted);
        assertThat(sorted).isSortedAccordingTo(Alphabet.order()).containsExactlyInAnyOrderElementsOf(some);
        for (int i = 0; i < sorted.length; i++) {
            assertThat(Arrays.binarySearch(sorted, sorted[i], Alphabet.order())).isEqualTo(i);
        }
    }
}
