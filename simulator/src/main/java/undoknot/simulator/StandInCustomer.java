package undoknot.simulator;

import static undoknot.observation.Symptom.*;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import undoknot.diagnosis.Cause;
import undoknot.head.Channel;
import undoknot.head.Family;
import undoknot.observation.Symptom;
import undoknot.observation.ToldFacts;

/** What the owner of a stand-in head tells at the counter: much of it true, some of it beside the point. */
public final class StandInCustomer {

    private StandInCustomer() {}

    /** @param channel the channel the fault sits in */
    public static ToldFacts tells(Cause cause, Family family, String channel, long seed) {
        return tells(cause, family, channel, seed, Noise.USUAL.untrue());
    }

    /** @param untrue how often something is told that has nothing to do with the fault */
    static ToldFacts tells(Cause cause, Family family, String channel, long seed, double untrue) {
        Random random = new Random(seed * 7_919 + cause.ordinal());
        List<Symptom> symptoms = new ArrayList<>();
        Says says = new Says(random, symptoms);
        boolean dried = cause == Cause.DRIED_INK;
        Integer idle = random.nextDouble() < 0.2 ? null : dried ? 8 + random.nextInt(80) : random.nextInt(21);
        boolean settling = random.nextDouble() < (cause == Cause.SUPPLY_RESTRICTED ? 0.55 : 0.08);
        boolean otherInk = random.nextDouble() < (cause == Cause.UNSUITABLE_INK ? 0.85 : 0.2);
        Integer refills = random.nextDouble() < (cause == Cause.CARTRIDGE_FAULT ? 0.45 : 0.1) ? 4 : null;
        boolean setup = random.nextDouble() < (cause == Cause.CARTRIDGE_FAULT ? 0.15 : 0.02);
        boolean leftOut = random.nextDouble() < (cause == Cause.AIR ? 0.4 : 0.05);
        boolean empty = random.nextDouble() < (cause == Cause.ELECTRICAL ? 0.4 : 0.06);
        Integer damper = random.nextDouble() < (cause == Cause.SUPPLY_RESTRICTED ? 0.4 : 0.1) ? 36 : null;
        switch (cause) {
            case DRIED_INK ->
                says.maybe(0.5, GAPS_ONE_COLOUR).maybe(0.4, GAPS_SEVERAL).maybe(0.35, GAPS_NEVER_MOVE);
            case AIR -> says.maybe(0.5, GAPS_WANDER).maybe(0.3, ONE_COLOUR_GONE).maybe(0.5, GAPS_ONE_COLOUR);
            case SUPPLY_RESTRICTED ->
                says.maybe(0.6, STARVES_DOWN_THE_SHEET)
                        .maybe(0.3, GAPS_WANDER)
                        .maybe(0.1, OVERHEAT_STOP)
                        .maybe(0.3, GAPS_ONE_COLOUR);
            case CARTRIDGE_FAULT -> says.maybe(0.8, ONE_COLOUR_GONE).maybe(0.2, GAPS_ONE_COLOUR);
            case SERVICE_STATION ->
                says.maybe(0.6, MORE_AFTER_CLEANING).maybe(0.8, GAPS_SEVERAL).maybe(0.2, SMEARS);
            case FACE_DEBRIS -> says.maybe(0.8, GAPS_ONE_COLOUR).maybe(0.5, GAPS_NEVER_MOVE);
            case CARRIAGE_DIRT -> says.maybe(0.9, SMEARS);
            case ELECTRICAL ->
                says.maybe(0.5, HALF_CHANNEL_PALE).maybe(0.6, GAPS_NEVER_MOVE).maybe(0.4, GAPS_ONE_COLOUR);
            case CONTACTS ->
                says.maybe(0.7, HEAD_ERROR).maybe(0.4, CARTRIDGE_NOT_RECOGNISED).maybe(0.2, EVERYTHING_BLANK);
            case ALIGNMENT_ENCODER -> says.maybe(0.9, BANDING_ALL_FIRING);
            case PLATE_DAMAGE ->
                says.maybe(0.3, COLOUR_REPLACED).maybe(0.3, BANDING_ALL_FIRING).maybe(0.4, GAPS_ONE_COLOUR);
            case UNSUITABLE_INK -> says.maybe(0.9, GAPS_SEVERAL).maybe(0.2, MORE_AFTER_CLEANING);
            case NOT_THE_HEAD -> says.maybe(0.7, CARRIAGE_STANDS).maybe(0.3, EVERYTHING_BLANK);
        }
        if (random.nextDouble() < untrue) {
            symptoms.add(Symptom.values()[random.nextInt(Symptom.values().length)]);
        }
        Set<String> all = family.channels().stream().map(Channel::code).collect(Collectors.toSet());
        return new ToldFacts(
                idle,
                random.nextDouble() < 0.2,
                random.nextDouble() < (dried ? 0.6 : 0.25),
                random.nextDouble() < 0.1 ? 30 : 6,
                refills,
                setup,
                leftOut,
                empty,
                damper,
                null,
                random.nextInt(5),
                settling ? Set.of(channel) : Set.of(),
                otherInk ? all : Set.of(),
                symptoms.stream().distinct().toList());
    }

    /** The symptoms that come to the customer's mind, one chance after the other. */
    private record Says(Random random, List<Symptom> symptoms) {
        Says maybe(double chance, Symptom symptom) {
            if (random.nextDouble() < chance) {
                symptoms.add(symptom);
            }
            return this;
        }
    }
}
