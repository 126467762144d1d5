package mailshelf.bench;

import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.atomic.AtomicLong;
import java.util.stream.Stream;
import mailshelf.core.report.PageModel;
import mailshelf.core.report.Writing;
import mailshelf.core.report.Written;
import mailshelf.core.wording.Words;
import mailshelf.render.paper.Document;
import mailshelf.render.paper.SheetSvgs;
import mailshelf.render.pdf.ReportPdf;
import mailshelf.store.archive.Archive;
import mailshelf.store.archive.Entry;
import mailshelf.store.archive.Part;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/** One personal copy from figures to its stored PDF, beside a browser that prints the same sheets. */
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

    private static final String HTML = "<meta charset=utf-8><style>@page{size:595.28pt 841.89pt;margin:0}body{margin:0}"
            + "svg{display:block;width:595.28pt;height:841.89pt;break-after:page}</style>%s";

    @Option(names = "--copies", defaultValue = "2000")
    int copies;

    @Option(names = "--prints", defaultValue = "20", description = "how many the browser prints")
    int prints;

    private final AtomicLong seed = new AtomicLong();

    @Override
    public Integer call() throws IOException {
        Path folder = Files.createTempDirectory("bench-copy");
        Archive archive = new Archive(folder);
        List<Part> group = new ArrayList<>();
        long[] end = {0};
        double written = Cpu.medianMillis(copies, 20, () -> pages(seed.incrementAndGet()));
        double made = Cpu.medianMillis(copies, 20, () -> pdf(pages(seed.incrementAndGet())));
        double stored = Cpu.medianMillis(copies / GROUP, 20, () -> {
            group.clear();
            for (int i = 0; i < GROUP; i++) {
                group.add(Part.of("files", "pdf", pdf(pages(seed.incrementAndGet()))));
            }
            List<Entry> entries = archive.append("2026/1/41-r1.1-1.tar", end[0], group, MADE);
            end[0] = entries.get(entries.size() - 1).endAt();
        });
        checkText();
        double printed = browser();
        double ours = stored / GROUP;
        System.out.printf(
                "figures in words %.2f ms, with PDF %.2f ms, stored %.2f ms of CPU a copy; %d bytes%n",
                written, made, ours, group.get(0).content().length);
        System.out.printf(
                "the browser prints the same sheets in %.0f ms of CPU: %.0f times%n", printed, printed / ours);
        return 0;
    }

    private static List<Written.Page> pages(long seed) {
        List<PageModel> models = FigurePages.of(seed);
        return models.stream().map(model -> Writing.page(model, ENGLISH, OSLO)).toList();
    }

    private static byte[] pdf(List<Written.Page> pages) {
        return ReportPdf.of(pages, RUNNING, ENGLISH, MADE);
    }

    /** Some copies say every figure of their own and none is left out. */
    private static void checkText() throws IOException {
        for (long seed = 1; seed <= 20; seed++) {
            List<Written.Page> pages = pages(seed);
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

    /** CPU time of all of the browser's processes for one print, in ms. */
    private double browser() throws IOException {
        Path profile = Files.createTempDirectory("bench-browser");
        BrowserType.LaunchPersistentContextOptions options = new BrowserType.LaunchPersistentContextOptions()
                .setExecutablePath(Path.of("/usr/bin/chromium"))
                .setArgs(List.of(
                        "--no-sandbox",
                        "--disable-gpu",
                        "--disable-quic",
                        "--no-first-run",
                        "--disable-background-networking",
                        "--disable-component-update",
                        "--disable-sync"));
        Playwright.CreateOptions noDownload =
                new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1"));
        try (Playwright playwright = Playwright.create(noDownload);
                var context = playwright.chromium().launchPersistentContext(profile, options)) {
            Page page = context.newPage();
            print(page, 5);
            double before = cpuMillis(profile);
            print(page, prints);
            return (cpuMillis(profile) - before) / prints;
        }
    }

    private void print(Page page, int times) {
        for (int i = 0; i < times; i++) {
            page.setContent(
                    HTML.formatted(String.join("", SheetSvgs.of(pages(seed.incrementAndGet()), RUNNING, ENGLISH))));
            page.pdf(new Page.PdfOptions().setPreferCSSPageSize(true));
        }
    }

    /** Of the processes that have the profile in their command line, and their children. */
    private static double cpuMillis(Path profile) {
        return ProcessHandle.allProcesses()
                .filter(process -> process.info().commandLine().orElse("").contains(profile.toString()))
                .flatMap(process -> Stream.concat(Stream.of(process), process.descendants()))
                .distinct()
                .mapToDouble(CopyCost::cpuMillis)
                .sum();
    }

    /** From the kernel's table, in ticks of 10 ms (proc(5), /proc/pid/stat, fields 14 and 15). */
    private static double cpuMillis(ProcessHandle process) {
        try {
            String stat = Files.readString(Path.of("/proc/" + process.pid() + "/stat"));
            String[] fields = stat.substring(stat.lastIndexOf(')') + 2).split(" ");
            return 10.0 * (Long.parseLong(fields[11]) + Long.parseLong(fields[12]));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
