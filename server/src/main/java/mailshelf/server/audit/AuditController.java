package mailshelf.server.audit;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import mailshelf.core.Problem;
import mailshelf.core.audit.Act;
import mailshelf.core.audit.Thing;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.core.wording.Words;
import mailshelf.server.http.Languages;
import mailshelf.server.rights.Gate;
import mailshelf.store.Database;
import mailshelf.store.audit.AuditStore;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The audit trail, for administrators: searched, and exported whole or as found. */
@RestController
@RequestMapping("/api/v1")
class AuditController {
    private static final int A_PAGE = 50;
    private static final int MOST_EXPORTED = 100_000;
    private static final int LONGEST_WORDS = 200;

    private final Gate gate;
    private final Database database;
    private final AuditStore store;

    /** @param act in words */
    record AuditLine(
            long id,
            Instant at,
            String who,
            String from,
            String act,
            Thing.Kind kind,
            String thing,
            String before,
            String after) {}

    /** @param more whether there are older ones */
    record AuditPage(List<AuditLine> lines, boolean more) {}

    AuditController(Gate gate, Database database, AuditStore store) {
        this.gate = gate;
        this.database = database;
        this.store = store;
    }

    /** @param to the last day that counts, in the reader's zone, as {@code from} is */
    @GetMapping("/audit")
    AuditPage page(
            Person who,
            @RequestParam(defaultValue = "") String words,
            @RequestParam Optional<PersonId> person,
            @RequestParam Optional<LocalDate> from,
            @RequestParam Optional<LocalDate> to,
            @RequestParam Optional<Long> olderThan) {
        List<AuditLine> found = find(who, words, person, from, to, olderThan, A_PAGE + 1);
        return new AuditPage(found.stream().limit(A_PAGE).toList(), found.size() > A_PAGE);
    }

    @GetMapping(path = "/audit.csv", produces = "text/csv")
    ResponseEntity<byte[]> csv(
            Person who,
            @RequestParam(defaultValue = "") String words,
            @RequestParam Optional<PersonId> person,
            @RequestParam Optional<LocalDate> from,
            @RequestParam Optional<LocalDate> to) {
        List<AuditLine> found = find(who, words, person, from, to, Optional.empty(), MOST_EXPORTED + 1);
        String csv = csv(found, Words.in(Languages.supported(who.locale())));
        return ResponseEntity.ok()
                .contentType(new MediaType("text", "csv", StandardCharsets.UTF_8))
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"audit-trail.csv\"")
                .body(csv.getBytes(StandardCharsets.UTF_8));
    }

    private static String csv(List<AuditLine> lines, Words words) {
        StringWriter text = new StringWriter();
        try (CsvWriter csv = CsvWriter.builder().build(text)) {
            csv.writeRecord("at", "who", "from", "what", "kind", "thing", "before", "after");
            for (AuditLine line : lines.subList(0, Math.min(lines.size(), MOST_EXPORTED))) {
                csv.writeRecord(
                        line.at().toString(),
                        plain(line.who()),
                        line.from(),
                        line.act(),
                        line.kind().name(),
                        plain(line.thing()),
                        plain(line.before()),
                        plain(line.after()));
            }
            if (lines.size() > MOST_EXPORTED) {
                csv.writeRecord(words.say("audit.cut", MOST_EXPORTED));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return text.toString();
    }

    /** A name that begins like a formula is not one when a spreadsheet opens the file. */
    private static String plain(String text) {
        return !text.isEmpty() && "=+-@\t\r".indexOf(text.charAt(0)) >= 0 ? "'" + text : text;
    }

    private List<AuditLine> find(
            Person who,
            String words,
            Optional<PersonId> person,
            Optional<LocalDate> from,
            Optional<LocalDate> to,
            Optional<Long> olderThan,
            int most) {
        gate.requireHouseReader(who);
        if (words.length() > LONGEST_WORDS) {
            throw Problem.invalid("audit.words-too-long", LONGEST_WORDS);
        }
        Words language = Words.in(Languages.supported(who.locale()));
        var search = new AuditStore.Search(
                words.strip(),
                meant(language, words.strip()),
                person,
                from.map(day -> start(who, day)),
                to.map(day -> start(who, day.plus(1, ChronoUnit.DAYS))),
                olderThan);
        return database.inTransaction(tx -> store.find(tx, search, most)).stream()
                .map(entry -> new AuditLine(
                        entry.id(),
                        entry.at(),
                        entry.who(),
                        entry.from(),
                        said(language, entry.act()),
                        entry.thing().kind(),
                        entry.thing().name(),
                        entry.before(),
                        entry.after()))
                .toList();
    }

    private static Instant start(Person who, LocalDate day) {
        return day.atStartOfDay(who.zone()).toInstant();
    }

    /** Acts whose words hold those that are looked for. */
    private static Set<Act> meant(Words language, String words) {
        return Stream.of(Act.values())
                .filter(act -> !words.isEmpty() && said(language, act).contains(words.toLowerCase(Locale.ROOT)))
                .collect(Collectors.toSet());
    }

    private static String said(Words words, Act act) {
        return words.say("act." + act.name());
    }
}
