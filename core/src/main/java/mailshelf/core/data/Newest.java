package mailshelf.core.data;

import java.util.LinkedHashMap;
import java.util.Map;

/** Holds so many entries, and forgets the one that was asked for least lately. */
public final class Newest<K, V> extends LinkedHashMap<K, V> {
    private static final long serialVersionUID = 1;

    private final int most;

    public Newest(int most) {
        super(16, 0.75f, true);
        this.most = most;
    }

    @Override
    protected boolean removeEldestEntry(Map.Entry<K, V> eldest) {
        return size() > most;
    }
}
