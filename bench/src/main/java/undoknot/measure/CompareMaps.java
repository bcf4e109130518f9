package undoknot.measure;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import undoknot.nozzle.Acceptance;
import undoknot.nozzle.ChannelMap;
import undoknot.nozzle.Comparison;
import undoknot.nozzle.JobClass;
import undoknot.nozzle.NozzleMap;

/** Two readings of a head with 8 channels of 180 nozzles: the counts of their comparison, and acceptance of one. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(1)
public class CompareMaps {

    private final NozzleMap before = reading(1);
    private final NozzleMap now = reading(2);

    private static NozzleMap reading(long seed) {
        Random random = new Random(seed);
        Map<String, ChannelMap> channels = new LinkedHashMap<>();
        for (String code : "K C M Y LC LM O W".split(" ")) {
            StringBuilder text = new StringBuilder();
            for (int n = 0; n < 180; n++) {
                text.append("FFFFFFWDMU".charAt(random.nextInt(10)));
            }
            channels.put(code, ChannelMap.of(text.toString()));
        }
        return new NozzleMap(channels);
    }

    @Benchmark
    public Comparison compare() {
        return Comparison.of(before, now);
    }

    @Benchmark
    public Acceptance accept() {
        return Acceptance.of(now, JobClass.GENERAL, 4);
    }
}
