package mailshelf.server.offline;

import java.io.IOException;
import java.nio.file.AccessDeniedException;
import java.nio.file.FileSystemException;
import java.nio.file.NoSuchFileException;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Callable;
import mailshelf.core.Problem;
import mailshelf.core.report.PageModel;
import mailshelf.core.wording.Words;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;

/** Says whether a report can be read, and its pages made of a file of rows. */
@Command(
        name = "check",
        description = "Checks a report's text against a file of rows: every fault with its line and column.",
        mixinStandardHelpOptions = true)
public final class CheckReport implements Callable<Integer> {
    static final int FAULTS = 1;

    @Mixin
    ReportOnFile files;

    @Override
    public Integer call() throws IOException {
        return told(files, () -> {
            ReportOnFile.Read read = files.read();
            List<PageModel> pages = files.pages(read);
            System.out.printf(
                    "%s: “%s”, %d pages with %d blocks, over %d rows to %s: no fault found%n",
                    files.report,
                    read.definition().title(),
                    pages.size(),
                    pages.stream().mapToInt(page -> page.blocks().size()).sum(),
                    read.table().rows(),
                    read.table().lastDay().map(Object::toString).orElse("none"));
        });
    }

    /** Work on the two files. */
    interface Work {
        void run() throws IOException;
    }

    /** Says what is wrong the way compilers do, so that editors find the place. */
    static int told(ReportOnFile files, Work work) throws IOException {
        try {
            work.run();
            return 0;
        } catch (NoSuchFileException e) {
            System.err.println(e.getFile() + ": there is no such file or folder.");
        } catch (AccessDeniedException e) {
            System.err.println(e.getFile() + ": there is no right to read or write it.");
        } catch (FileSystemException e) {
            System.err.println(e.getMessage() + ".");
        } catch (Problem e) {
            tell(files, e);
            for (Throwable beside : e.getSuppressed()) {
                tell(files, (Problem) beside);
            }
        }
        return FAULTS;
    }

    private static void tell(ReportOnFile files, Problem problem) {
        List<String> sentences = problem.sentences(Words.in(Locale.ENGLISH));
        String file = String.valueOf(problem.code().startsWith("report.") ? files.report : files.data);
        for (Problem.Fault fault : problem.faults()) {
            String place = fault.field()
                    .replaceAll("line (\\d+)(, column (\\d+))?.*", "$1:$3")
                    .replaceAll(":$", "");
            System.err.println(file + ":" + place + ": " + fault.message());
        }
        if (problem.faults().isEmpty()) {
            System.err.println(file + ": " + sentences.get(0) + " " + sentences.get(2));
        }
    }
}
