package undoknot.treatment;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import undoknot.diagnosis.Observation;
import undoknot.diagnosis.Priors;
import undoknot.diagnosis.Sign;
import undoknot.diagnosis.Symptom;
import undoknot.diagnosis.ToldFacts;
import undoknot.fluid.InkChemistry;
import undoknot.head.Family;
import undoknot.head.StarterFamilies;
import undoknot.nozzle.ChannelMap;
import undoknot.nozzle.JobClass;
import undoknot.nozzle.NozzleMap;
import undoknot.nozzle.NozzleState;
import undoknot.outcome.Worth;

/** Writes down a visit step by step, for worked cases. A check shows the gaps that stand when it is taken. */
final class Bench {

    private final Family family;
    private final List<Observation> told = new ArrayList<>();
    private final List<Step> steps = new ArrayList<>();
    private final Map<String, ChannelMap> now = new LinkedHashMap<>();
    private HouseRules house = HouseRules.DEFAULT;
    private Worth worth;
    private final Map<String, InkChemistry> inks = new HashMap<>();
    private boolean food;
    private boolean power = true;

    Bench(String familyCode) {
        family = StarterFamilies.ALL.stream()
                .filter(f -> f.code().equals(familyCode))
                .findFirst()
                .orElseThrow();
        family.channels().forEach(c -> now.put(c.code(), ChannelMap.filled(c.nozzles(), NozzleState.FIRING)));
    }

    Bench told(Integer idleDays, Symptom... symptoms) {
        ToldFacts facts = ToldFacts.symptoms(symptoms);
        told.addAll((idleDays == null ? facts : facts.idle(idleDays)).observations());
        return this;
    }

    Bench told(Sign sign, String channel) {
        told.add(Observation.of(sign, channel));
        return this;
    }

    private Bench set(String code, NozzleState state, BitSet nozzles) {
        now.put(code, now.get(code).with(nozzles, state));
        return this;
    }

    /** Every so many-th nozzle out: scattered gaps. */
    Bench scattered(String code, int every, int shift) {
        BitSet set = new BitSet();
        for (int n = 3 + shift; n <= now.get(code).size(); n += every) {
            set.set(n);
        }
        return set(code, NozzleState.MISSING, set);
    }

    Bench run(String code, int from, int to) {
        return run(code, from, to, NozzleState.MISSING);
    }

    Bench run(String code, int from, int to, NozzleState state) {
        BitSet set = new BitSet();
        set.set(from, to + 1);
        return set(code, state, set);
    }

    /** A short dense run with a bent dash on either side. */
    Bench debris(String code, int from, int to) {
        return run(code, from - 1, from - 1, NozzleState.DEFLECTED)
                .run(code, from, to)
                .run(code, to + 1, to + 1, NozzleState.DEFLECTED);
    }

    /** Both ends out. */
    Bench ends(String code, int each) {
        int size = now.get(code).size();
        return run(code, 1, each).run(code, size - each + 1, size);
    }

    Bench whole(String code) {
        return run(code, 1, now.get(code).size());
    }

    /** Everything fires again. */
    Bench clear(String code) {
        now.put(code, ChannelMap.filled(now.get(code).size(), NozzleState.FIRING));
        return this;
    }

    Bench check() {
        steps.add(new Step.Checked("check-" + steps.size(), new NozzleMap(now), null));
        return this;
    }

    Bench noCheck() {
        steps.add(new Step.Checked("check-" + steps.size(), null, null));
        return this;
    }

    Bench found(Sign sign, String channel) {
        steps.add(new Step.Found(Observation.of(sign, channel)));
        return this;
    }

    Bench work(Treatment treatment) {
        steps.add(new Step.Worked("work-" + steps.size(), treatment));
        return this;
    }

    Bench cycle(String... channels) {
        return work(new Treatment.Cycle(Set.of(channels), Treatment.Strength.LIGHT, 1));
    }

    Bench page() {
        return hands(Method.PAGE, family.channels().stream().map(c -> c.code()).toArray(String[]::new));
    }

    Bench hands(Method method, String... channels) {
        return work(new Treatment.Handwork(method, Set.of(channels), BigDecimal.ZERO));
    }

    Bench flush(Treatment.Resistance felt, String... channels) {
        List<Treatment.Stroke> strokes = java.util.Arrays.stream(channels)
                .map(c -> new Treatment.Stroke(
                        c, BigDecimal.valueOf(3), 12, felt, Treatment.Effluent.TINTED, Treatment.Stream.WHOLE))
                .toList();
        return work(new Treatment.Flush(strokes, 22));
    }

    Bench soak(int minutes, String... channels) {
        return work(new Treatment.Soak(Treatment.Place.PORT, Set.of(channels), BigDecimal.ONE, minutes));
    }

    Bench house(HouseQuestion question, String school) {
        house = house.with(question, school);
        return this;
    }

    Bench worth(Worth terms) {
        worth = terms;
        return this;
    }

    Bench ink(InkChemistry ink, String... channels) {
        for (String code : channels) {
            inks.put(code, ink);
        }
        return this;
    }

    Bench food() {
        food = true;
        return this;
    }

    Bench inHold() {
        power = false;
        return this;
    }

    SoFar visit() {
        return new SoFar(family, JobClass.GENERAL, told, steps, power);
    }

    Judgement judge() {
        return Judgement.of(visit(), Priors.DEFAULT, new Terms(house, worth, food, inks));
    }

    Manner manner(Method method, String... channels) {
        Terms terms = new Terms(house, worth, food, inks);
        return HouseManner.of(method, List.of(channels), new Standing(visit(), judge().ranking(), terms));
    }
}
