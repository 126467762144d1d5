package mailshelf.server.delivery;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import mailshelf.core.audience.Recipient;
import mailshelf.core.delivery.RunRecipientId;
import mailshelf.core.report.Definition;
import mailshelf.core.shelf.Manifest;
import mailshelf.core.subscription.Content;
import mailshelf.core.time.Window;
import mailshelf.store.delivery.Run;

/** Writes an issue's manifest: what was made from what, as which copies, for whom. */
final class Sealed {
    private Sealed() {}

    static Manifest manifest(Commission job, String outcome, String reason, List<MadeCopy> made) {
        Run run = job.run();
        List<Manifest.Copy> copies = new ArrayList<>();
        List<Manifest.Part> parts = new ArrayList<>();
        Map<RunRecipientId, Integer> copyOf = new HashMap<>();
        for (MadeCopy each : made) {
            int no = copies.size() + 1;
            copies.add(new Manifest.Copy(
                    no,
                    each.copy().seenAs().name().toLowerCase(Locale.ROOT),
                    slices(job, each),
                    each.copy().isEmpty() ? "no-rows" : "made"));
            each.files()
                    .forEach(file -> parts.add(new Manifest.Part(
                            Optional.of(no), file.role(), file.name(), file.sha256(), file.sizeBytes())));
            each.view().recipients().forEach(listed -> copyOf.put(listed.id(), no));
        }
        return new Manifest(
                Manifest.SCHEMA,
                run.subscription().value(),
                job.terms().name(),
                job.number().orElse(0),
                1,
                outcome,
                reason,
                run.dueAt(),
                job.now(),
                begin(job.window()),
                end(job.window()),
                Optional.of(run.subscriptionVersion()),
                job.terms().content().stream().map(each -> content(job, each)).toList(),
                mappings(job),
                copies,
                parts,
                job.recipients().stream()
                        .map(listed -> addressee(listed.recipient(), Optional.ofNullable(copyOf.get(listed.id()))))
                        .toList(),
                job.closed(),
                job.number().flatMap(n -> job.numbering().chainHead()));
    }

    private static List<Manifest.Slice> slices(Commission job, MadeCopy made) {
        return made.copy().slices().stream()
                .map(seen -> new Manifest.Slice(job.dataSets().get(seen.dataSet()), seen.allowed(), seen.masked()))
                .toList();
    }

    private static String begin(Window window) {
        return (window.times().isPresent() ? window.start() : window.fromInclusive()).toString();
    }

    private static String end(Window window) {
        return (window.times().isPresent() ? window.end() : window.toInclusive()).toString();
    }

    private static Manifest.Content content(Commission job, Content content) {
        Source source = job.sources().stream()
                .filter(each -> each.pinned().report().equals(content.report()))
                .findFirst()
                .orElseThrow();
        Definition definition = source.published().definition();
        Window window =
                content.on(job.terms().inZone(job.run().dueAt()), job.terms().firstDayOfWeek());
        return new Manifest.Content(
                definition.title(),
                source.pinned().version(),
                content.pagesIn(definition).stream().map(Definition.Page::title).toList(),
                content.blocks(),
                content.period().code(),
                begin(window),
                end(window),
                content.filters(),
                source.published().dataSet().name(),
                source.loaded().load().no());
    }

    private static List<Manifest.Mapping> mappings(Commission job) {
        return job.sources().stream()
                .flatMap(source -> source.rules().stream())
                .map(rule -> new Manifest.Mapping(
                        rule.table().name(),
                        rule.loaded().map(loaded -> loaded.load().no()).orElse(0)))
                .distinct()
                .toList();
    }

    private static Manifest.Addressee addressee(Recipient recipient, Optional<Integer> copy) {
        return new Manifest.Addressee(
                recipient.name(), recipient.address(), recipient.inclusion().name(), copy);
    }
}
