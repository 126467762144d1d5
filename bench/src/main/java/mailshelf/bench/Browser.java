package mailshelf.bench;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;

/** Headless Chromium with a profile of its own, and what its processes cost. */
final class Browser implements AutoCloseable {
    private final Path profile;
    private final Playwright playwright;
    private final BrowserContext context;
    private final Page page;

    Browser() throws IOException {
        profile = Files.createTempDirectory("bench-browser");
        playwright = Playwright.create(
                new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
        context = playwright
                .chromium()
                .launchPersistentContext(
                        profile,
                        new BrowserType.LaunchPersistentContextOptions()
                                .setExecutablePath(Path.of("/usr/bin/chromium"))
                                .setViewportSize(1280, 800)
                                .setArgs(List.of(
                                        "--no-sandbox",
                                        "--disable-gpu",
                                        "--disable-quic",
                                        "--no-first-run",
                                        "--disable-background-networking",
                                        "--disable-component-update",
                                        "--disable-sync")));
        page = context.pages().get(0);
    }

    Page page() {
        return page;
    }

    Page newPage() {
        return context.newPage();
    }

    /** CPU time of all of its processes until now. */
    double cpuMillis() {
        return ProcessHandle.allProcesses()
                .filter(process -> process.info().commandLine().orElse("").contains(profile.toString()))
                .flatMap(process -> Stream.concat(Stream.of(process), process.descendants()))
                .distinct()
                .mapToDouble(Browser::cpuMillis)
                .sum();
    }

    /** From the kernel's table, in ticks of 10 ms (proc(5), /proc/pid/stat, fields 14 and 15); 0 for one that has ended. */
    private static double cpuMillis(ProcessHandle process) {
        Path file = Path.of("/proc/" + process.pid() + "/stat");
        try {
            String stat = Files.readString(file);
            String[] fields = stat.substring(stat.lastIndexOf(')') + 2).split(" ");
            return 10.0 * (Long.parseLong(fields[11]) + Long.parseLong(fields[12]));
        } catch (NoSuchFileException e) {
            return 0;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @Override
    public void close() {
        context.close();
        playwright.close();
    }
}
