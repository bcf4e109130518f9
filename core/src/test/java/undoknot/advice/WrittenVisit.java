package undoknot.advice;

import java.math.BigDecimal;
import java.time.Instant;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import undoknot.diagnosis.Priors;
import undoknot.fluid.InkChemistry;
import undoknot.head.Channel;
import undoknot.head.Family;
import undoknot.head.StarterFamilies;
import undoknot.nozzle.ChannelMap;
import undoknot.nozzle.CoarseReading;
import undoknot.nozzle.JobClass;
import undoknot.nozzle.NozzleMap;
import undoknot.nozzle.NozzleState;
import undoknot.observation.Observation;
import undoknot.observation.Sign;
import undoknot.observation.Symptom;
import undoknot.observation.ToldFacts;
import undoknot.outcome.Worth;
import undoknot.practice.HouseRules;
import undoknot.practice.School;
import undoknot.sitting.Noted;
import undoknot.treatment.Method;
import undoknot.treatment.NoPower;
import undoknot.treatment.Site;
import undoknot.treatment.Stroke;
import undoknot.treatment.Treatment;
import undoknot.treatment.Wet;
import undoknot.visit.HeadNow;
import undoknot.visit.Step;
import undoknot.visit.VisitLog;

/** Writes down a visit step by step, for worked cases. A check shows the gaps that stand when it is taken. */
public final class WrittenVisit {

    public static final Instant HELD_FROM = Instant.parse("2026-03-02T06:00:00Z");
    public static final Instant HELD_UNTIL = Instant.parse("2026-03-02T18:00:00Z");

    private final Family family;
    private final List<Observation> told = new ArrayList<>();
    private final List<Step> steps = new ArrayList<>();
    private final Map<String, ChannelMap> now = new LinkedHashMap<>();
    private HouseRules house = HouseRules.DEFAULT;
    private Worth worth;
    private final Map<String, InkChemistry> inks = new HashMap<>();
    private boolean food;
    private HeadNow head = HeadNow.READY;

    /** A family whose ports take a push; see {@link #withItsPorts}. */
    public WrittenVisit(String familyCode) {
        this(takesPush(starter(familyCode)));
    }

    /** The starter family as it is, drops only or not. */
    public static WrittenVisit withItsPorts(String familyCode) {
        return new WrittenVisit(starter(familyCode));
    }

    public static Family takesPush(Family f) {
        return new Family(
                f.code(),
                f.name(),
                f.construction(),
                f.channels().stream()
                        .map(c -> new Channel(c.code(), c.colour(), c.ink(), c.port(), c.nozzles()))
                        .toList(),
                f.stairs(),
                f.steps(),
                f.driveGroups(),
                f.boreUm(),
                f.plateUm(),
                f.freeCarriage());
    }

    private static Family starter(String familyCode) {
        return StarterFamilies.ALL.stream()
                .filter(f -> f.code().equals(familyCode))
                .findFirst()
                .orElseThrow();
    }

    public WrittenVisit(Family family) {
        this.family = family;
        family.channels().forEach(c -> now.put(c.code(), ChannelMap.filled(c.nozzles(), NozzleState.FIRING)));
    }

    public WrittenVisit told(Integer idleDays, Symptom... symptoms) {
        ToldFacts facts = ToldFacts.symptoms(symptoms);
        told.addAll((idleDays == null ? facts : facts.idle(idleDays)).observations());
        return this;
    }

    public WrittenVisit told(Sign sign, String channel) {
        told.add(Observation.of(sign, channel));
        return this;
    }

    public WrittenVisit told(Observation observation) {
        told.add(observation);
        return this;
    }

    private WrittenVisit set(String code, NozzleState state, BitSet nozzles) {
        now.put(code, now.get(code).with(nozzles, state));
        return this;
    }

    /** Every so many-th nozzle out: scattered gaps. */
    public WrittenVisit scattered(String code, int every, int shift) {
        BitSet set = new BitSet();
        for (int n = 3 + shift; n <= now.get(code).size(); n += every) {
            set.set(n);
        }
        return set(code, NozzleState.MISSING, set);
    }

    public WrittenVisit run(String code, int from, int to) {
        return run(code, from, to, NozzleState.MISSING);
    }

    public WrittenVisit run(String code, int from, int to, NozzleState state) {
        BitSet set = new BitSet();
        set.set(from, to + 1);
        return set(code, state, set);
    }

    /** A short dense run with a bent dash on either side. */
    public WrittenVisit debris(String code, int from, int to) {
        return run(code, from - 1, from - 1, NozzleState.DEFLECTED)
                .run(code, from, to)
                .run(code, to + 1, to + 1, NozzleState.DEFLECTED);
    }

    /** Both ends out. */
    public WrittenVisit ends(String code, int each) {
        int size = now.get(code).size();
        return run(code, 1, each).run(code, size - each + 1, size);
    }

    public WrittenVisit whole(String code) {
        return run(code, 1, now.get(code).size());
    }

    /** Everything fires again. */
    public WrittenVisit clear(String code) {
        now.put(code, ChannelMap.filled(now.get(code).size(), NozzleState.FIRING));
        return this;
    }

    public WrittenVisit check() {
        steps.add(new Step.Checked("check-" + steps.size(), new NozzleMap(now), null));
        return this;
    }

    public WrittenVisit noCheck() {
        steps.add(new Step.Checked("check-" + steps.size(), null, null));
        return this;
    }

    public WrittenVisit found(Sign sign, String channel) {
        steps.add(new Step.Found(Observation.of(sign, channel)));
        return this;
    }

    public WrittenVisit work(Treatment treatment) {
        steps.add(new Step.Worked("work-" + steps.size(), treatment));
        return this;
    }

    public WrittenVisit cycle(String... channels) {
        return work(new Treatment.Cycle(Set.of(channels), Treatment.Strength.LIGHT, 1));
    }

    public WrittenVisit page() {
        return hands(Method.PAGE, family.channels().stream().map(c -> c.code()).toArray(String[]::new));
    }

    public WrittenVisit hands(Method method, String... channels) {
        return work(new Treatment.Handwork(method, Set.of(channels), BigDecimal.ZERO));
    }

    public WrittenVisit hands(Method method, Noted noted, String... channels) {
        steps.add(new Step.Worked(
                "work-" + steps.size(), new Treatment.Handwork(method, Set.of(channels), BigDecimal.ZERO), noted));
        return this;
    }

    public WrittenVisit flush(Treatment.Resistance felt, String... channels) {
        List<Stroke> strokes = java.util.Arrays.stream(channels)
                .map(c -> new Stroke(
                        c, BigDecimal.valueOf(3), 12, felt, Treatment.Effluent.TINTED, Treatment.Stream.WHOLE))
                .toList();
        return work(new Treatment.Flush(strokes, 22));
    }

    public WrittenVisit soak(int minutes, String... channels) {
        return work(new Treatment.Soak(Treatment.Place.PORT, Set.of(channels), BigDecimal.ONE, minutes));
    }

    public WrittenVisit house(School school) {
        house = house.with(school);
        return this;
    }

    public WrittenVisit worth(Worth terms) {
        worth = terms;
        return this;
    }

    public WrittenVisit ink(InkChemistry ink, String... channels) {
        for (String code : channels) {
            inks.put(code, ink);
        }
        return this;
    }

    public WrittenVisit food() {
        food = true;
        return this;
    }

    public WrittenVisit inHold() {
        return head(new HeadNow(
                Site.ON_BENCH,
                List.of(new HeadNow.Kept(NoPower.HOLD, HELD_FROM, HELD_UNTIL)),
                List.of(new HeadNow.Wetting(Wet.BODY, null, HELD_FROM, HELD_UNTIL)),
                null,
                null));
    }

    public WrittenVisit head(HeadNow now) {
        head = now;
        return this;
    }

    public WrittenVisit moved(Site to) {
        steps.add(new Step.Moved(to));
        return this;
    }

    public WrittenVisit coarse(CoarseReading reading) {
        steps.add(new Step.Checked("check-" + steps.size(), null, reading));
        return this;
    }

    public VisitLog visit() {
        return new VisitLog(family, JobClass.GENERAL, told, steps, head);
    }

    public Terms terms() {
        return new Terms(house, worth, food, inks);
    }

    public Judgement judge() {
        return Judgement.of(visit(), Priors.DEFAULT, terms());
    }

    public WorkStyle style(Method method, String... channels) {
        Terms terms = new Terms(house, worth, food, inks);
        return HouseWorkStyle.of(method, List.of(channels), new AdviceContext(visit(), judge().ranking(), terms));
    }
}
