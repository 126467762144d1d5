package mailshelf.bench;

import java.lang.management.ManagementFactory;
import java.lang.management.ThreadMXBean;
import java.util.Arrays;
import java.util.concurrent.TimeUnit;

/** CPU time of this thread, which other programs on a shared machine do not add to. */
final class Cpu {
    private static final ThreadMXBean THREADS = ManagementFactory.getThreadMXBean();

    private Cpu() {}

    /** Runs the work until it is warm, then as often as said; the median of its CPU times, in ms. */
    static double medianMillis(int times, int warmSeconds, Runnable work) {
        long warm = System.nanoTime() + TimeUnit.SECONDS.toNanos(warmSeconds);
        while (System.nanoTime() < warm) {
            work.run();
        }
        double[] taken = new double[times];
        for (int i = 0; i < times; i++) {
            long before = THREADS.getCurrentThreadCpuTime();
            work.run();
            taken[i] = (THREADS.getCurrentThreadCpuTime() - before) / 1e6;
        }
        Arrays.sort(taken);
        return taken[times / 2];
    }
}
