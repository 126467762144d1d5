package mailshelf.store.archive;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import mailshelf.core.delivery.RunId;
import mailshelf.core.json.CoreJson;
import mailshelf.core.shelf.Manifest;
import mailshelf.core.shelf.Receipts;
import mailshelf.core.shelf.Sha256;
import mailshelf.core.subscription.SubscriptionId;
import org.apache.commons.compress.archivers.tar.TarArchiveInputStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class ArchiveTest {
    private static final Instant AT = Instant.parse("2026-11-23T06:00:00Z");
    private static final SubscriptionId SUBSCRIPTION = new SubscriptionId(12);

    @TempDir
    private Path data;

    private Archive archive;
    private final List<String> manifests = new ArrayList<>();
    private final List<Path> volumes = new ArrayList<>();

    /** Those of the issue before, which the next manifest names. */
    private List<Manifest.Closed> closed = List.of();

    @BeforeEach
    void three_issues() {
        archive = new Archive(data);
        Optional<String> previous = Optional.empty();
        for (int number = 1; number <= 3; number++) {
            String sha = issue(number, previous);
            manifests.add(sha);
            previous = Optional.of(sha);
        }
    }

    @Test
    void a_whole_archive_has_no_fault_and_any_tar_reader_opens_it() throws IOException {
        assertThat(verify()).isEmpty();

        List<String> names = new ArrayList<>();
        try (var tar = new TarArchiveInputStream(new BufferedInputStream(Files.newInputStream(volumes.get(0))))) {
            for (var entry = tar.getNextEntry(); entry != null; entry = tar.getNextEntry()) {
                names.add(entry.getName());
            }
        }
        assertThat(names)
                .hasSize(4)
                .contains("manifest.json")
                .anyMatch(name -> name.matches("receipts-2/[0-9a-f]{64}\\.json"));
    }

    @Test
    void a_changed_byte_is_found_wherever_it_is() throws IOException {
        Random random = new Random(20261125);
        Path volume = volumes.get(2);
        byte[] bytes = Files.readAllBytes(volume);
        for (int at = 0; at < bytes.length; at++) {
            byte before = bytes[at];
            bytes[at] ^= (byte) (1 << random.nextInt(8));
            Files.write(volume, bytes);

            assertThat(verify()).as("byte %s, was %s", at, before).isNotEmpty();

            bytes[at] = before;
        }
    }

    @Test
    void receipts_and_mails_that_were_written_anew_are_found_by_the_manifest_after_them() throws IOException {
        Part pdf = Part.of(Part.Kind.PDF, "pdf 1".getBytes(StandardCharsets.UTF_8));
        Part manifest = oldManifest(pdf);
        Part forged = Part.of(Part.Kind.MAIL, "another mail".getBytes(StandardCharsets.UTF_8));
        Files.delete(volumes.get(0));

        archive.append(volume(1, 1).path(), 0, List.of(pdf, manifest, forged, receipts(1, manifest, forged)), AT);

        assertThat(verify())
                .anyMatch(fault -> fault.contains("which No. 2 names, are missing or have been changed"))
                .anyMatch(fault -> fault.contains("are named by no manifest after them"));
    }

    @Test
    void an_issue_without_its_receipts_is_found() throws IOException {
        Part pdf = Part.of(Part.Kind.PDF, "pdf 1".getBytes(StandardCharsets.UTF_8));
        Files.delete(volumes.get(0));

        archive.append(volume(1, 1).path(), 0, List.of(pdf, oldManifest(pdf)), AT);

        assertThat(verify()).singleElement().asString().contains("which No. 2 names");
    }

    /** That of No. 1, byte for byte as it was. */
    private Part oldManifest(Part pdf) {
        closed = List.of();
        Part manifest = manifest(1, Optional.empty(), pdf);
        assertThat(manifest.sha256()).isEqualTo(manifests.get(0));
        return manifest;
    }

    @Test
    void a_part_that_was_given_another_name_is_found() throws IOException {
        Part pdf = Part.of(Part.Kind.PDF, "pdf 4".getBytes(StandardCharsets.UTF_8));
        Part manifest = manifest(4, Optional.of(manifests.get(2)), pdf);
        Part renamed = new Part("files/" + pdf.sha256() + ".exe", pdf.content(), pdf.sha256());
        Part moved = new Part("mails/" + pdf.sha256() + ".json", pdf.content(), pdf.sha256());

        archive.append(volume(4, 1).path(), 0, List.of(renamed, manifest), AT);
        assertThat(verify()).anyMatch(fault -> fault.contains(".exe is not a name that was written"));

        archive.append(volume(4, 1).path(), 0, List.of(moved, manifest), AT);
        assertThat(verify()).anyMatch(fault -> fault.contains("was written as files/"));
    }

    @Test
    void a_mail_of_a_trial_carries_a_checksum_that_is_known() {
        Part manifest = manifest(0, Optional.empty(), Part.of(Part.Kind.PDF, new byte[] {1}));
        Part pdf = Part.of(Part.Kind.PDF, new byte[] {1});
        String volume = Volume.of(SUBSCRIPTION, new RunId(9), Optional.empty(), 1, AT, 1)
                .path();

        archive.append(volume, 0, List.of(pdf, manifest), AT);

        assertThat(Verification.of(archive.folder(), Set.of(manifest.sha256())).faults())
                .isEmpty();
    }

    @Test
    void an_issue_dropped_in_the_middle_is_found() throws IOException {
        Files.delete(volumes.get(1));

        assertThat(verify()).anyMatch(fault -> fault.contains("No. 2 is missing"));
    }

    @Test
    void an_issue_dropped_at_the_end_is_found_by_a_checksum_from_a_mail_and_only_so() throws IOException {
        Files.delete(volumes.get(2));

        assertThat(verify()).isEmpty();
        assertThat(Verification.of(archive.folder(), Set.of(manifests.get(2))).faults())
                .anyMatch(fault -> fault.contains(manifests.get(2)));
    }

    @Test
    void a_part_taken_out_is_found() throws IOException {
        String volume =
                Volume.of(SUBSCRIPTION, new RunId(4), Optional.of(4), 1, AT, 1).path();
        Part lost = Part.of(Part.Kind.PDF, "not written".getBytes(StandardCharsets.UTF_8));
        archive.append(volume, 0, List.of(manifest(4, Optional.of(manifests.get(2)), lost)), AT);

        assertThat(verify()).anyMatch(fault -> fault.contains(lost.sha256()) && fault.contains("missing"));
    }

    @Test
    void what_a_crash_left_behind_the_last_named_entry_is_cut_off() throws IOException {
        String volume = "2026/12/9-r1.1.tar";
        Part first = Part.of(Part.Kind.PDF, "first".getBytes(StandardCharsets.UTF_8));
        Part second = Part.of(Part.Kind.PDF, "second".getBytes(StandardCharsets.UTF_8));
        List<Entry> named = archive.append(volume, 0, List.of(first), AT);
        Files.write(archive.folder().resolve(volume), new byte[777], StandardOpenOption.APPEND);

        List<Entry> more = archive.append(volume, named.get(0).endAt(), List.of(second), AT);

        assertThat(archive.read(named.get(0))).isEqualTo(first.content());
        assertThat(archive.read(more.get(0))).isEqualTo(second.content());
        assertThat(TarReader.read(archive.folder().resolve(volume), (name, content) -> {}))
                .isEmpty();
    }

    @Test
    void a_mail_comes_back_byte_for_byte_and_its_attachment_is_kept_once() {
        byte[] pdf = new byte[40_000];
        new Random(1).nextBytes(pdf);
        MailPieces.Shared shared = MailPieces.Shared.of(pdf);

        MailPieces mail = MailPieces.of(mailWith(shared.mark()), List.of(shared));

        assertThat(mail.kept().length).isLessThan(500);
        assertThat(MailPieces.join(mail.kept(), sha -> sha.equals(Sha256.of(pdf)) ? pdf : new byte[0]))
                .isEqualTo(mailWith(pdf));
        ByteArrayOutputStream sent = new ByteArrayOutputStream();
        mail.sent().forEach(sent::writeBytes);
        assertThat(sent.toByteArray()).isEqualTo(mailWith(pdf));
    }

    private static byte[] mailWith(byte[] content) {
        String encoded = Base64.getMimeEncoder().encodeToString(content);
        return ("Subject: Fj\u00f8rd\r\n\r\n" + encoded + "\r\n--end--\r\n").getBytes(StandardCharsets.UTF_8);
    }

    @Test
    void what_two_servers_wrote_for_one_issue_is_checked_as_one() throws IOException {
        Part pdf = Part.of(Part.Kind.PDF, "pdf 4".getBytes(StandardCharsets.UTF_8));
        Part manifest = manifest(4, Optional.of(manifests.get(2)), pdf);
        archive.append(volume(4, 1).path(), 0, List.of(pdf, manifest), AT);
        Part mail = Part.of(Part.Kind.MAIL, "mail 4".getBytes(StandardCharsets.UTF_8));
        Part receipts = receipts(4, manifest, mail);
        archive.append(volume(4, 2).path(), 0, List.of(mail, receipts), AT);

        assertThat(verify()).isEmpty();

        Files.delete(archive.folder().resolve(volume(4, 1).path()));
        assertThat(verify()).anyMatch(fault -> fault.contains("the manifest is missing"));
    }

    @Test
    void attempts_at_an_issue_that_came_to_nothing_are_thrown_away_and_nothing_else_is() throws IOException {
        Part pdf = Part.of(Part.Kind.PDF, "pdf 4".getBytes(StandardCharsets.UTF_8));
        archive.append(volume(4, 1).path(), 0, List.of(pdf), AT);

        archive.discardAttempts(volume(4, 2));

        assertThat(archive.folder().resolve(volume(4, 1).path())).doesNotExist();
        assertThat(volumes).allMatch(Files::exists);
    }

    @Test
    void all_that_belongs_to_an_issue_of_new_years_eve_lies_in_the_folder_of_the_old_year() {
        Instant newYearsEve = Instant.parse("2027-12-31T23:59:59Z");

        Volume first = Volume.of(SUBSCRIPTION, new RunId(9), Optional.of(3), 1, newYearsEve, 1);
        Volume other = Volume.of(SUBSCRIPTION, new RunId(9), Optional.of(3), 1, newYearsEve, 2);

        assertThat(first.path()).startsWith("2027/");
        assertThat(other.beside(first.path())).isEqualTo(other.path());
    }

    private static Volume volume(int number, int server) {
        return Volume.of(SUBSCRIPTION, new RunId(number), Optional.of(number), 1, AT, server);
    }

    private List<String> verify() {
        return Verification.of(archive.folder(), Set.of()).faults();
    }

    private String issue(int number, Optional<String> previous) {
        String volume = volume(number, 1).path();
        volumes.add(archive.folder().resolve(volume));
        Part pdf = Part.of(Part.Kind.PDF, ("pdf " + number).getBytes(StandardCharsets.UTF_8));
        Part manifest = manifest(number, previous, pdf);
        List<Entry> made = archive.append(volume, 0, List.of(pdf, manifest), AT);
        Part mail = Part.of(Part.Kind.MAIL, ("mail " + number).getBytes(StandardCharsets.UTF_8));
        Part receipts = receipts(number, manifest, mail);
        archive.append(volume, made.get(1).endAt(), List.of(mail, receipts), AT);
        closed = List.of(new Manifest.Closed(manifest.sha256(), receipts.sha256()));
        return manifest.sha256();
    }

    private static Instant dayOf(int number) {
        return AT.plus(Duration.ofDays(number));
    }

    private static Part receipts(int number, Part manifest, Part mail) {
        var receipt = new Receipts.Receipt("ida@brinewater.example", "<d1@x>", "ACCEPTED", mail.sha256(), List.of());
        var receipts = new Receipts(
                1, manifest.sha256(), number, 1, "SENT", dayOf(number).plusSeconds(60), List.of(receipt));
        return Part.receipts(2, CoreJson.canonical(receipts));
    }

    private Part manifest(int number, Optional<String> previous, Part pdf) {
        var parts = List.of(new Manifest.Part(Optional.of(1), "pdf", "report.pdf", pdf.sha256(), pdf.content().length));
        Instant made = dayOf(number);
        var manifest = new Manifest(
                Manifest.SCHEMA,
                12,
                "Cancelled",
                number,
                1,
                "made",
                "",
                made,
                made,
                "2026-11-16",
                "2026-11-22",
                Optional.of(1),
                List.of(),
                List.of(),
                List.of(),
                parts,
                List.of(),
                closed,
                previous);
        return Part.named(Part.MANIFEST, CoreJson.canonical(manifest));
    }
}
