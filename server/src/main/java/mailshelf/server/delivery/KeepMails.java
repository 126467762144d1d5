package mailshelf.server.delivery;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import mailshelf.core.data.Allowed;
import mailshelf.core.delivery.CopyId;
import mailshelf.core.delivery.DeliveryId;
import mailshelf.core.delivery.RunId;
import mailshelf.core.json.CoreJson;
import mailshelf.core.letter.Letter;
import mailshelf.core.letter.LetterFields;
import mailshelf.core.named.InText;
import mailshelf.core.report.PageModel;
import mailshelf.core.report.Written;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.core.subscription.SeenAs;
import mailshelf.core.subscription.Subscription;
import mailshelf.core.subscription.Terms;
import mailshelf.core.wording.Words;
import mailshelf.server.HouseSettings;
import mailshelf.server.http.Languages;
import mailshelf.server.mail.LetterWriter;
import mailshelf.server.mail.MailAssembler;
import mailshelf.server.mail.QuotedPrintable;
import mailshelf.store.Database;
import mailshelf.store.archive.Archive;
import mailshelf.store.archive.Entry;
import mailshelf.store.archive.MailPieces;
import mailshelf.store.archive.Part;
import mailshelf.store.delivery.Delivery;
import mailshelf.store.delivery.DeliveryStore;
import mailshelf.store.delivery.Run;
import mailshelf.store.delivery.RunStore;
import mailshelf.store.people.PersonStore;
import mailshelf.store.shelf.Copy;
import mailshelf.store.shelf.Issue;
import mailshelf.store.shelf.IssueStore;
import mailshelf.store.subscription.SubscriptionStore;
import org.springframework.stereotype.Component;

/**
 * Puts the mails of a run together from the kept figures and files, and keeps each in the archive before it leaves. One
 * that is kept already, from a try before, is given as it is.
 */
@Component
class KeepMails {
    private final Database database;
    private final RunStore runs;
    private final IssueStore issues;
    private final DeliveryStore deliveries;
    private final SubscriptionStore subscriptions;
    private final PersonStore people;
    private final ReadArchive readArchive;
    private final Archive archive;
    private final LetterWriter letters;
    private final MailAssembler assembler;
    private final Presses presses;
    private final HouseSettings settings;
    private final FaultPoint faultPoint;

    /**
     * What all mails of a run have in common.
     *
     * @param listedBy who put each recipient on the list
     */
    private record Job(
            Run run,
            Issue issue,
            Subscription subscription,
            Terms terms,
            Person owner,
            Map<PersonId, Person> listedBy) {}

    KeepMails(
            Database database,
            RunStore runs,
            IssueStore issues,
            DeliveryStore deliveries,
            SubscriptionStore subscriptions,
            PersonStore people,
            ReadArchive readArchive,
            Archive archive,
            LetterWriter letters,
            MailAssembler assembler,
            Presses presses,
            HouseSettings settings,
            FaultPoint faultPoint) {
        this.database = database;
        this.runs = runs;
        this.issues = issues;
        this.deliveries = deliveries;
        this.subscriptions = subscriptions;
        this.people = people;
        this.readArchive = readArchive;
        this.archive = archive;
        this.letters = letters;
        this.assembler = assembler;
        this.presses = presses;
        this.settings = settings;
        this.faultPoint = faultPoint;
    }

    /** Each delivery's mail: its bytes, in order, in arrays that mails may share. */
    Map<DeliveryId, List<byte[]>> of(RunId id, List<Delivery> some) {
        Job job = job(id);
        Map<PersonId, Person> recipients = database.inTransaction(
                tx -> people.find(tx, some.stream().map(Delivery::person).toList()));
        Map<DeliveryId, List<byte[]>> mails = new LinkedHashMap<>();
        Map<DeliveryId, Part> fresh = new LinkedHashMap<>();
        for (Fresh mail : assembled(job, some, recipients)) {
            mails.put(mail.of(), mail.sent());
            fresh.put(mail.of(), mail.kept());
        }
        keep(job, fresh);
        for (Delivery delivery : some) {
            delivery.mail().ifPresent(kept -> mails.put(delivery.id(), List.of(readArchive.mail(id, kept))));
        }
        return mails;
    }

    /** A mail just put together, to be kept. */
    private record Fresh(DeliveryId of, List<byte[]> sent, Part kept) {}

    private List<Fresh> assembled(Job job, List<Delivery> some, Map<PersonId, Person> recipients) {
        List<Delivery> missing =
                some.stream().filter(delivery -> delivery.mail().isEmpty()).toList();
        List<CopyId> wanted = missing.stream().map(Delivery::copy).distinct().toList();
        List<Copy> copies = List.copyOf(
                database.inTransaction(tx -> issues.copies(tx, wanted)).values());
        Map<CopyId, CopyContent> contents = new HashMap<>();
        presses.each(copies, copy -> Map.entry(copy.id(), content(job, copy)))
                .forEach(content -> contents.put(content.getKey(), content.getValue()));
        QuotedPrintable encoder = new QuotedPrintable();
        return presses.each(missing, delivery -> {
            MailPieces mail =
                    assemble(job, contents.get(delivery.copy()), delivery, recipients.get(delivery.person()), encoder);
            return new Fresh(delivery.id(), mail.sent(), Part.of(Part.Kind.MAIL, mail.kept()));
        });
    }

    private void keep(Job job, Map<DeliveryId, Part> fresh) {
        if (fresh.isEmpty()) {
            return;
        }
        String volume = readArchive.ownVolume(job.issue());
        long end = database.inTransaction(tx -> issues.end(tx, job.run().id(), volume));
        List<Entry> entries = archive.append(
                volume, end, List.copyOf(fresh.values()), job.issue().madeAt());
        faultPoint.behind(Arrow.MAILS_ARCHIVED);
        database.doInTransaction(tx -> {
            issues.insertEntries(tx, job.run().id(), entries);
            Map<DeliveryId, String> kept = new LinkedHashMap<>();
            fresh.forEach((delivery, part) -> kept.put(delivery, part.sha256()));
            deliveries.putTogether(tx, kept);
        });
    }

    private Job job(RunId id) {
        return database.inTransaction(tx -> {
            Run run = runs.find(tx, id).orElseThrow();
            Subscription subscription =
                    subscriptions.find(tx, run.subscription()).orElseThrow();
            Terms terms = subscriptions
                    .version(tx, run.subscription(), run.subscriptionVersion())
                    .terms();
            Person owner = people.find(tx, subscription.owner()).orElseThrow();
            Issue issue = issues.ofRun(tx, id).orElseThrow();
            Map<PersonId, PersonId> listedBy =
                    subscriptions.listedBy(tx, run.subscription(), run.subscriptionVersion());
            Map<PersonId, Person> listers = people.find(tx, listedBy.values());
            Map<PersonId, Person> listerOf = new HashMap<>();
            listedBy.forEach((person, by) -> listerOf.put(person, listers.get(by)));
            return new Job(run, issue, subscription, terms.continuing(issue.since()), owner, listerOf);
        });
    }

    /**
     * A copy as it lies in the archive, its files ready to stand in many mails.
     *
     * @param terms with filters that name no values which row rules hide from who gets it
     */
    private record CopyContent(
            Written.Page first,
            List<String> otherTitles,
            Optional<MailPieces.Shared> picture,
            Optional<MailPieces.Shared> pdf,
            String pdfName,
            LetterFields.OfCopy fields,
            Terms terms,
            Words words) {
        /** In the order in which they stand in a mail. */
        List<MailPieces.Shared> shared() {
            return Stream.of(picture, pdf).flatMap(Optional::stream).toList();
        }
    }

    private CopyContent content(Job job, Copy copy) {
        List<IssueStore.CopyFile> files = database.inTransaction(tx -> issues.files(tx, copy.id()));
        Words words = Words.in(Languages.supported(job.terms().locale()));
        List<PageModel> pages =
                List.of(CoreJson.read(bytes(job, files, "figures").orElseThrow(), PageModel[].class));
        String pdfName = files.stream()
                .filter(file -> file.role().equals("pdf"))
                .map(IssueStore.CopyFile::name)
                .findFirst()
                .orElse("");
        List<InText> named = bytes(job, files, "letter")
                .map(letter -> List.of(CoreJson.read(letter, InText[].class)))
                .orElse(List.of());
        IssuePages read = new IssuePages(job.terms(), pages, words);
        return new CopyContent(
                read.page(0),
                read.otherTitles(),
                bytes(job, files, "picture").map(MailPieces.Shared::of),
                bytes(job, files, "pdf").map(MailPieces.Shared::of),
                pdfName,
                read.fields(job.terms().letterPattern().figures().isEmpty() ? List.of() : read.all(), named),
                known(job.terms(), copy),
                words);
    }

    /** Without filters whose values its reader is not to know of, which its link would name. */
    private static Terms known(Terms terms, Copy copy) {
        if (copy.slices().stream().anyMatch(seen -> !seen.masked().isEmpty())) {
            return terms.narrowed(content -> List.of());
        }
        List<Allowed> rules =
                copy.slices().stream().flatMap(seen -> seen.allowed().stream()).toList();
        return copy.seenAs() == SeenAs.OWNER ? terms : terms.knownBy(content -> rules);
    }

    private Optional<byte[]> bytes(Job job, List<IssueStore.CopyFile> files, String role) {
        return files.stream()
                .filter(file -> file.role().equals(role))
                .findFirst()
                .map(file -> readArchive.part(job.run().id(), file.sha256()));
    }

    private MailPieces assemble(Job job, CopyContent content, Delivery delivery, Person to, QuotedPrintable encoder) {
        LetterWriter.About about = new LetterWriter.About(
                job.subscription().id(),
                content.terms(),
                job.owner(),
                job.issue().number(),
                job.issue().dueAt(),
                job.issue().madeAt(),
                settings.issueUrl(job.issue().id().value()),
                job.issue().manifestSha(),
                content.fields());
        Person listedBy = job.listedBy().getOrDefault(to.id(), job.owner());
        Letter letter = letters.write(about, to, listedBy, delivery.messageId(), content.words());
        byte[] marked = assembler.issue(
                letter,
                MailBodies.sent(
                        letter,
                        content.first(),
                        content.otherTitles(),
                        content.pdf().isPresent(),
                        content.picture().isPresent(),
                        content.words()),
                content.picture().map(MailPieces.Shared::mark),
                content.pdf()
                        .map(pdf -> new MailAssembler.Attachment(content.pdfName(), "application/pdf", pdf.mark())),
                encoder);
        return MailPieces.of(marked, content.shared());
    }
}
