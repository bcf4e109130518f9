package undoknot.measure;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import undoknot.advice.Judgement;
import undoknot.advice.Terms;
import undoknot.diagnosis.Cause;
import undoknot.diagnosis.Priors;
import undoknot.head.StarterFamilies;
import undoknot.plan.Chances;
import undoknot.plan.Plan;
import undoknot.plan.Supplies;
import undoknot.simulator.Fault;
import undoknot.simulator.StandInBench;
import undoknot.visit.VisitLog;

/** Ranking causes, choosing the next look and the advice, for the family with most channels. Budget: 5 ms. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
@Fork(1)
public class RankAndAdvise {

    private VisitLog visit;

    @Setup
    public void setUp() {
        StandInBench bench = new StandInBench(
                StarterFamilies.ALL.get(5), new Fault(Cause.UNSUITABLE_INK, Fault.Severity.FIRM, "S"), 12);
        bench.check();
        for (int i = 0; i < 8; i++) {
            bench.cycleAndCheck();
        }
        bench.lookWhereTold(5);
        visit = bench.visit();
    }

    @Benchmark
    public Judgement judge() {
        return Judgement.of(visit, Priors.DEFAULT, Terms.DEFAULT);
    }

    /** Budget: 5 ms together with its plan. */
    @Benchmark
    public Plan judgeAndPlan() {
        Judgement judgement = judge();
        return Plan.of(
                visit,
                judgement,
                new Plan.Basis(Terms.DEFAULT, Supplies.none(LocalDate.EPOCH), Chances.STARTING, Instant.EPOCH));
    }

    @Benchmark
    public List<?> observe() {
        return undoknot.diagnosis.Evidence.of(visit);
    }
}
