package mailshelf.core.named;

import java.util.List;

/**
 * What a named value comes to for somebody on a day.
 *
 * @param isFallback there was nothing, and this stands for it
 */
public record ComesTo(List<String> values, boolean isFallback) {
    public ComesTo {
        values = List.copyOf(values);
    }
}
