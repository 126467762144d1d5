package mailshelf.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Callable;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import mailshelf.core.report.PageModel;
import mailshelf.core.report.Writing;
import mailshelf.core.report.Written;
import mailshelf.core.wording.Words;
import mailshelf.render.paper.Document;
import mailshelf.render.pdf.ReportPdf;
import mailshelf.store.archive.Archive;
import mailshelf.store.archive.Entry;
import mailshelf.store.archive.Part;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/** One personal copy from figures to its stored PDF, beside a browser that prints the same pages. */
@Command(name = "copy", description = "One personal copy from figures to its stored PDF, and the same by a browser.")
final class CopyCost implements Callable<Integer> {
    private static final Words ENGLISH = Words.in(Locale.ENGLISH);
    private static final ZoneId OSLO = ZoneId.of("Europe/Oslo");
    private static final Instant MADE = Instant.parse("2026-11-23T05:58:00Z");
    private static final Document.Running RUNNING =
            new Document.Running("Crossings", "No. 41 · Mon 16 – Sun 22 Nov 2026", "Made Mon 23 Nov 2026, 06:58");

    /** Copies that are written through to the disk together, as the delivery loop does. */
    private static final int GROUP = 100;

    /** The narrow ones between thousands too. */
    private static final String SPACES = "[\\s\\u00a0\\u2009\\u202f]";

    /** Made beforehand, since a page's figures come from evaluating and not from this. */
    private static final int DIFFERENT = 200;

    @Option(names = "--copies", defaultValue = "2000")
    int copies;

    @Option(names = "--prints", defaultValue = "20", description = "how many the browser prints")
    int prints;

    private final List<List<PageModel>> figures =
            IntStream.range(0, DIFFERENT).mapToObj(FigurePages::of).toList();
    private int next;

    @Override
    public Integer call() throws IOException {
        Path folder = Files.createTempDirectory("bench-copy");
        Archive archive = new Archive(folder);
        List<Part> group = new ArrayList<>();
        long[] end = {0};
        double written = Cpu.medianMillis(copies, 20, this::written);
        double made = Cpu.medianMillis(copies, 20, () -> pdf(written()));
        double stored = Cpu.medianMillis(copies / GROUP, 20, () -> {
            group.clear();
            for (int i = 0; i < GROUP; i++) {
                group.add(Part.of(Part.Kind.PDF, pdf(written())));
            }
            List<Entry> entries = archive.append("2026/1/41-r1.1-1.tar", end[0], group, MADE);
            end[0] = entries.get(entries.size() - 1).endAt();
        });
        checkText();
        double printed;
        try (BrowserPrint browser = new BrowserPrint()) {
            for (int i = 0; i < 5; i++) {
                browser.print(written());
            }
            double before = browser.cpuMillis();
            for (int i = 0; i < prints; i++) {
                browser.print(written());
            }
            printed = (browser.cpuMillis() - before) / prints;
        }
        double ours = stored / GROUP;
        System.out.printf(
                "figures in words %.2f ms, with PDF %.2f ms, stored %.2f ms of CPU a copy; %d bytes%n",
                written, made, ours, group.get(0).content().length);
        System.out.printf("the browser prints the same pages in %.0f ms of CPU: %.0f times%n", printed, printed / ours);
        return 0;
    }

    /** The next copy's pages in words. */
    private List<Written.Page> written() {
        next = (next + 1) % DIFFERENT;
        return figures.get(next).stream()
                .map(model -> Writing.page(model, ENGLISH, OSLO))
                .toList();
    }

    private static byte[] pdf(List<Written.Page> pages) {
        return ReportPdf.of(pages, RUNNING, ENGLISH, MADE);
    }

    /** Some copies say every figure of their own and none is left out. */
    private void checkText() throws IOException {
        for (int i = 0; i < 20; i++) {
            List<Written.Page> pages = written();
            String text;
            try (PDDocument document = Loader.loadPDF(pdf(pages))) {
                text = new PDFTextStripper().getText(document).replaceAll(SPACES, "");
            }
            Stream<String> said = pages.stream()
                    .flatMap(page -> Stream.concat(
                            page.figures().stream().map(Written.Figure::value),
                            page.tables().stream()
                                    .flatMap(table -> Stream.concat(table.rows().stream(), Stream.of(table.total())))
                                    .flatMap(List::stream)
                                    .map(Written.Cell::text)));
            said.map(figure -> figure.replaceAll(SPACES, ""))
                    .filter(figure -> !text.contains(figure))
                    .forEach(figure -> {
                        throw new IllegalStateException("The PDF does not say " + figure);
                    });
        }
    }
}
