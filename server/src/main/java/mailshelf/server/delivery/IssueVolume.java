package mailshelf.server.delivery;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import mailshelf.store.archive.Archive;
import mailshelf.store.archive.Entry;
import mailshelf.store.archive.Part;
import mailshelf.store.archive.Volume;

/** The archive file of an issue while it is made; no table names anything of it yet. For one thread. */
final class IssueVolume {
    private final Archive archive;
    private final Volume volume;
    private final Instant at;
    private final Set<String> known = new HashSet<>();
    private final List<Entry> entries = new ArrayList<>();

    /** Begins anew: what was left by attempts before, or by this one, is thrown away. */
    IssueVolume(Archive archive, Volume volume, Instant at) {
        this.archive = archive;
        this.volume = volume;
        this.at = at;
        archive.discardAttempts(volume);
    }

    /** Puts those on the disk that are not in it yet: equal parts are kept once. */
    void add(List<Part> parts) {
        List<Part> fresh =
                parts.stream().filter(part -> known.add(part.sha256())).toList();
        long end = entries.isEmpty() ? 0 : entries.get(entries.size() - 1).endAt();
        entries.addAll(archive.append(volume.path(), end, fresh, at));
    }

    List<Entry> entries() {
        return List.copyOf(entries);
    }
}
