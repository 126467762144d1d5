package mailshelf.core.report;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;

/** Round numbers along a chart's value axis: at most four rules besides the lowest. */
final class Scale {
    private static final int MOST_STEPS = 4;
    private static final int[] ROUND = {1, 2, 5, 10};

    private Scale() {}

    /**
     * Ticks in ascending order, at least two, the first at or below the lowest value and the last at or above the
     * highest.
     *
     * @param decimals steps are never finer than what the figures are written with
     */
    static List<BigDecimal> ticks(double lowest, double highest, int decimals) {
        double span = Math.max(highest - lowest, Math.pow(10, -decimals));
        BigDecimal step = step(span / MOST_STEPS, decimals);
        BigDecimal first =
                BigDecimal.valueOf(lowest).divide(step, 0, RoundingMode.FLOOR).multiply(step);
        List<BigDecimal> ticks = new ArrayList<>();
        BigDecimal tick = first;
        ticks.add(tick);
        while (tick.doubleValue() < highest || ticks.size() < 2) {
            tick = tick.add(step);
            ticks.add(tick);
        }
        return ticks;
    }

    private static BigDecimal step(double atLeast, int decimals) {
        int power = Math.max((int) Math.floor(Math.log10(atLeast)), -decimals);
        for (int round : ROUND) {
            BigDecimal step = BigDecimal.valueOf(round).scaleByPowerOfTen(power);
            if (step.doubleValue() >= atLeast) {
                return step;
            }
        }
        return BigDecimal.valueOf(10).scaleByPowerOfTen(power);
    }
}
