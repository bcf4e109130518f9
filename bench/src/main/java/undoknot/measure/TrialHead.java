package undoknot.measure;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import undoknot.advice.Advice;
import undoknot.advice.Advice.Act;
import undoknot.advice.Ladder;
import undoknot.advice.Terms;
import undoknot.diagnosis.Cause;
import undoknot.head.Channel;
import undoknot.head.Family;
import undoknot.head.StarterFamilies;
import undoknot.simulator.Fault;
import undoknot.simulator.Fault.Severity;
import undoknot.simulator.Noise;
import undoknot.simulator.StandInBench;
import undoknot.treatment.Method;
import undoknot.visit.Step.Worked;

/** One head by which the advice is measured: what is wrong with it, and what becomes of it under several hands. */
record TrialHead(Family family, List<Fault> faults, long seed) {

    /** Share of the heads with two faults. */
    private static final double PAIRS = 0.25;

    private static final int STEPS = 200;

    /** Causes that a second fault can be: the others keep the head from printing, or hide nothing. */
    private static final Set<Cause> ALONE = Set.of(Cause.NOT_THE_HEAD, Cause.CONTACTS);

    static TrialHead of(long seed) {
        Random random = new Random(seed * 31 + 7);
        Family family = StarterFamilies.ALL.get(random.nextInt(StarterFamilies.ALL.size()));
        List<Fault> faults = new ArrayList<>();
        faults.add(fault(family, random));
        if (random.nextDouble() < PAIRS && !ALONE.contains(faults.get(0).cause())) {
            Fault second = fault(family, random);
            if (second.cause() != faults.get(0).cause() && !ALONE.contains(second.cause())) {
                faults.add(second);
            }
        }
        return new TrialHead(family, faults, random.nextLong());
    }

    private static Fault fault(Family family, Random random) {
        Cause[] causes = Cause.values();
        // Dried ink is what most heads come in with.
        Cause cause = random.nextDouble() < 0.2 ? Cause.DRIED_INK : causes[random.nextInt(causes.length)];
        Severity severity = Severity.values()[random.nextInt(Severity.values().length)];
        List<Channel> channels = family.channels();
        return new Fault(
                cause, severity, channels.get(random.nextInt(channels.size())).code());
    }

    Set<Cause> causes() {
        return faults.stream().map(Fault::cause).collect(Collectors.toSet());
    }

    StandInBench bench() {
        return new StandInBench(family, faults, seed, Noise.HARD);
    }

    /** What became of it. */
    record Course(StandInBench bench, Advice last, boolean sound, int attempts, int steps) {
        boolean finished() {
            return last != null && last.act() == Act.FINISH;
        }

        boolean saved() {
            return sound && (last == null || finished());
        }

        boolean endless() {
            return steps >= STEPS;
        }
    }

    private static Course course(StandInBench bench, Advice last, int steps) {
        int attempts = (int) bench.visit().work().stream()
                .map(Worked::method)
                .filter(m -> !m.settles() && m != Method.ALIGN)
                .count();
        return new Course(bench, last, bench.isSound(), attempts, steps);
    }

    /** As the tool advises, to its end. */
    Course advised() {
        StandInBench bench = bench();
        Advice advice;
        int steps = 0;
        do {
            advice = bench.judge().advice().first();
        } while (++steps < STEPS && bench.follow(advice));
        return course(bench, advice, steps);
    }

    /** As somebody would who knows what is wrong: the remedies of each cause in turn, four times over. */
    Course known() {
        StandInBench bench = bench();
        Ladder.Head head = new Ladder.Head(family, Terms.DEFAULT.house(), false, true, false);
        Set<String> all = family.channels().stream().map(Channel::code).collect(Collectors.toSet());
        for (int round = 0; round < 5; round++) {
            for (Fault fault : faults) {
                for (Method method : remedies(fault.cause(), head)) {
                    if (bench.isSound()) {
                        return course(bench, null, 0);
                    }
                    bench.work(method, all);
                }
            }
        }
        return course(bench, null, 0);
    }

    private static List<Method> remedies(Cause cause, Ladder.Head head) {
        Stream<Method> own = Ladder.of(cause, head).stream();
        Method last = Ladder.lastResort(head.family(), head.house());
        Stream<Method> besides = switch (cause) {
            case ALIGNMENT_ENCODER -> Stream.of(Method.STRIP, Method.ALIGN);
            case PLATE_DAMAGE, ELECTRICAL, NOT_THE_HEAD, CARRIAGE_DIRT, CONTACTS -> Stream.of();
            default -> last == null ? Stream.of() : Stream.of(last);
        };
        return Stream.concat(own, besides).distinct().toList();
    }

    /** Three cycles, and then 30 mL through every channel that shows gaps. */
    Course byRecipe(boolean soakFirst) {
        StandInBench bench = bench();
        bench.check();
        for (int n = 0; !soakFirst && n < 3 && !bench.isSound(); n++) {
            bench.cycleAndCheck();
        }
        if (!bench.isSound() && bench.head().noCheck().isEmpty()) {
            bench.soakAndFlush(soakFirst ? 720 : 0, 10);
            bench.check();
        }
        return course(bench, null, 0);
    }
}
