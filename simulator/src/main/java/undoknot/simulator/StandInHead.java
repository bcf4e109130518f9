package undoknot.simulator;

import static undoknot.simulator.Physics.BURST_TAKES_UM;
import static undoknot.simulator.Physics.CYCLE_BREAKS_UM;
import static undoknot.simulator.Physics.CYCLE_BURNS_ML;
import static undoknot.simulator.Physics.CYCLE_TAKES_AIR;
import static undoknot.simulator.Physics.DIFFUSION;
import static undoknot.simulator.Physics.DRY_HALF_HOURS;
import static undoknot.simulator.Physics.FLUSH_AIR;
import static undoknot.simulator.Physics.FLUSH_LEAVES_AIR;
import static undoknot.simulator.Physics.OVER_PRESSURE_BENDS;
import static undoknot.simulator.Physics.OVER_PRESSURE_SHARE;
import static undoknot.simulator.Physics.PAD_LOOSENS;
import static undoknot.simulator.Physics.PURGE_TAKES_AIR;
import static undoknot.simulator.Physics.PUSH_BREAKS_UM;
import static undoknot.simulator.Physics.REST_TAKES_AIR;
import static undoknot.simulator.Physics.STATION_CLOGS;
import static undoknot.simulator.Physics.STATION_PLUG_UM;
import static undoknot.simulator.Physics.WET_AFTER_BATH;
import static undoknot.simulator.Physics.WET_AFTER_FLUSH;
import static undoknot.simulator.Physics.WET_AFTER_TRAY;
import static undoknot.simulator.Physics.WET_KILLS;
import static undoknot.simulator.Physics.WIPE_LOOSENS;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Random;
import undoknot.diagnosis.Cause;
import undoknot.head.Channel;
import undoknot.head.Family;
import undoknot.observation.Look;
import undoknot.observation.Sign;
import undoknot.simulator.Strokes.Stroke;
import undoknot.treatment.Method;
import undoknot.treatment.Treatment;
import undoknot.treatment.Treatment.Effluent;
import undoknot.treatment.Treatment.Place;
import undoknot.treatment.Treatment.Resistance;
import undoknot.treatment.Treatment.Stream;
import undoknot.treatment.Treatment.Strength;

/**
 * A stand-in for a head on the bench: a hidden state that answers treatments and prints checks. Everything follows from
 * the family, the faults, the seed and what was done to it, so it can be made anew from a log at any time.
 */
public final class StandInHead {

    /** Share of drop tests of an unsuitable ink whose pad shows that it has gelled. */
    private static final double RESIDUE_SEEN = 0.6;

    /** An ink of which less than this is left in a channel does not set again. */
    private static final double ALL_OUT = 0.05;

    private final Family family;
    private final long seed;
    private final Map<String, ChannelState> paths = new LinkedHashMap<>();
    private double station;
    private double wet;
    private boolean contacts;
    private boolean stands;
    private boolean carriageDirty;
    private boolean stripSmeared;
    private double inkBurnedMl;
    private int steps;
    private int harmed;
    private final Noise noise;

    public StandInHead(Family family, Collection<Fault> faults, long seed) {
        this(family, faults, seed, Noise.USUAL);
    }

    public StandInHead(Family family, Collection<Fault> faults, long seed, Noise noise) {
        this.family = family;
        this.seed = seed;
        this.noise = noise;
        for (Channel channel : family.channels()) {
            paths.put(channel.code(), new ChannelState(channel, family.driveGroups()));
        }
        Random random = new Random(seed);
        for (Fault fault : faults) {
            set(fault, random);
        }
    }

    private Random chance() {
        // A fresh one for each step: what one step draws does not change what the next one does.
        return new Random(seed * 1_000_003 + ++steps);
    }

    private void set(Fault fault, Random random) {
        List<ChannelState> all = new ArrayList<>(paths.values());
        ChannelState path = fault.channel() == null ? all.get(random.nextInt(all.size())) : path(fault.channel());
        double share = fault.severity().share();
        double depth = fault.severity().depth();
        switch (fault.cause()) {
            case DRIED_INK -> path.plug(share, 40 + 1500 * depth * depth, depth, random);
            case UNSUITABLE_INK -> {
                for (ChannelState each : all) {
                    each.plug(0.6 * share, 40 + 600 * depth, depth, random);
                    each.unsuitable = true;
                }
            }
            case AIR -> path.air = fault.severity() == Fault.Severity.HOPELESS ? 1 : share;
            case SUPPLY_RESTRICTED -> path.narrowed = 0.3 + 0.6 * share;
            case CARTRIDGE_FAULT -> path.ink = false;
            case SERVICE_STATION -> {
                station = 0.4 + 0.6 * depth;
                for (ChannelState each : all) {
                    each.plug(0.05 + 0.1 * share, STATION_PLUG_UM.value(), 0.3, random);
                }
            }
            case FACE_DEBRIS -> path.debris(share, random);
            case ELECTRICAL -> {
                int groups = Math.max(1, path.deadGroup.length / 2);
                int count = fault.severity() == Fault.Severity.MILD ? 1 : groups;
                int first = random.nextInt(path.deadGroup.length - count + 1);
                for (int g = 0; g < count; g++) {
                    path.deadGroup[first + g] = path.deadGroup.length > 1;
                }
                if (random.nextDouble() < noise.stubborn()) {
                    path.fray(random);
                }
            }
            case PLATE_DAMAGE -> path.bend(share, random);
            case CONTACTS -> contacts = true;
            case NOT_THE_HEAD -> stands = true;
            // With these the nozzles are sound; what is wrong shows elsewhere on the page.
            case CARRIAGE_DIRT -> carriageDirty = true;
            case ALIGNMENT_ENCODER -> stripSmeared = true;
        }
    }

    private ChannelState path(String code) {
        ChannelState path = paths.get(code);
        if (path == null) {
            throw new IllegalArgumentException("the family has no channel " + code);
        }
        return path;
    }

    double misread() {
        return noise.misread();
    }

    /** Whether everything about it is as it should be, the nozzles apart: station, carriage, strip, contacts, ink. */
    public boolean isSoundBesides() {
        return station <= 0.1
                && !carriageDirty
                && !stripSmeared
                && noCheck().isEmpty()
                && paths.values().stream().noneMatch(p -> p.unsuitable || p.narrowed > 0 || !p.ink);
    }

    /** Why no check can be printed now, when none can. */
    public Optional<Cause> noCheck() {
        return stands ? Optional.of(Cause.NOT_THE_HEAD) : contacts ? Optional.of(Cause.CONTACTS) : Optional.empty();
    }

    /**
     * Prints a check. Powering a wet board does its harm first.
     *
     * @throws IllegalStateException when {@link #noCheck} says why none can be printed
     */
    public Strokes print() {
        if (noCheck().isPresent()) {
            throw new IllegalStateException(
                    "no check can be printed: " + noCheck().get());
        }
        Random random = chance();
        power(random);
        Map<String, Stroke[]> channels = new LinkedHashMap<>();
        for (ChannelState path : paths.values()) {
            channels.put(path.channel.code(), path.print(random, noise.stray()));
        }
        return new Strokes(channels);
    }

    private void power(Random random) {
        if (wet > WET_KILLS.value()) {
            List<ChannelState> all = new ArrayList<>(paths.values());
            ChannelState path = all.get(random.nextInt(all.size()));
            path.deadGroup[random.nextInt(path.deadGroup.length)] = true;
            harmed++;
        }
    }

    /** How often something was done to it that harms a head: pushed too hard, bathed too hot or too long, powered wet. */
    public int harmed() {
        return harmed;
    }

    /** The printer's own cleaning of some channels. */
    public void cycle(Collection<String> channels, Strength strength) {
        Random random = chance();
        power(random);
        int force = switch (strength) {
            case LIGHT -> 1;
            case NORMAL -> 2;
            case STRONG -> 3;
        };
        for (String code : channels) {
            ChannelState path = path(code);
            inkBurnedMl += CYCLE_BURNS_ML.value() * (strength == Strength.STRONG ? 5 : force);
            path.air *= Math.pow(1 - CYCLE_TAKES_AIR.value(), force);
            if (path.narrowed > 0) {
                path.air = Math.min(0.6, path.air + 0.04 * force * path.narrowed);
            }
            for (int i = 0; i < path.plugUm.length; i++) {
                boolean breaks = path.plugUm[i] * (0.5 + path.strength[i]) < CYCLE_BREAKS_UM.value() * force;
                path.plugUm[i] = breaks ? 0 : path.plugUm[i];
            }
            if (station > 0.05) {
                path.plug(STATION_CLOGS.value() * station * force, STATION_PLUG_UM.value(), 0.3, random);
            }
        }
    }

    /**
     * What a person finds who looks, right in most cases ({@link StandInLooks}). Looking changes nothing.
     *
     * @param channel where, or null when the look is about the whole head
     */
    public Sign look(Look look, String channel) {
        // The same look taken again at the same state finds the same; once something was done it is taken anew.
        Random random = eyes(look, channel, 1);
        Sign found = StandInLooks.find(look, channel == null ? null : path(channel), this, random);
        if (found == Sign.RECOGNISED_ONCE_CLEANED && noise.stubborn() > 0) {
            contacts = false;
        }
        return found;
    }

    /** Looks again with fresh eyes. */
    public Sign lookAgain(Look look, String channel, int time) {
        return StandInLooks.find(look, channel == null ? null : path(channel), this, eyes(look, channel, 10 + time));
    }

    /**
     * What shows besides when a look is taken: drops that pass a channel carry out what is in it. Seen in most cases.
     *
     * @param channel where, or null when the look is about the whole head
     */
    public Optional<Sign> seenMeanwhile(Look look, String channel) {
        Random random = eyes(look, channel, 2);
        boolean residue = look == Look.DROP_TEST
                && path(channel).unsuitable
                && path(channel).openShare() > 0;
        return residue && random.nextDouble() < RESIDUE_SEEN ? Optional.of(Sign.EFFLUENT_RESIDUE) : Optional.empty();
    }

    /** The same for the same head, look and channel; neighbouring seeds are spread, or all channels would share their luck. */
    private Random eyes(Look look, String channel, int kind) {
        long mixed = Objects.hash(seed, look.ordinal(), channel, kind) * 0x9E3779B97F4A7C15L;
        return new Random(mixed ^ mixed >>> 32);
    }

    double station() {
        return station;
    }

    boolean contacts() {
        return contacts;
    }

    boolean stands() {
        return stands;
    }

    /** Whether a page would run dry before its foot: the supply of a channel is narrowed, or it has none. */
    boolean starves() {
        return paths.values().stream().anyMatch(path -> path.narrowed > 0 || !path.ink);
    }

    boolean carriageDirty() {
        return carriageDirty;
    }

    boolean stripSmeared() {
        return stripSmeared;
    }

    /** The printer's answer to a treatment as it is logged; see the methods for one kind. */
    public void apply(Treatment treatment, double soakedMinutes, double pressureKpa, double fit) {
        if (treatment instanceof Treatment.Flush flush && !flush.isFlush()) {
            flush.channels().forEach(code -> handwork(flush.method(), code));
        } else if (treatment instanceof Treatment.Flush flush) {
            flush.strokes()
                    .forEach(s ->
                            flush(s.channel(), s.volumeMl().doubleValue(), pressureKpa, flush.temperatureC(), fit));
        } else if (treatment instanceof Treatment.Soak soak) {
            soak(soak.channels(), soak.place(), soakedMinutes, 22, fit);
        } else if (treatment instanceof Treatment.Bath bath) {
            bath(bath.channels(), bath.bursts(), bath.temperatureC());
        } else if (treatment instanceof Treatment.Cycle cycle) {
            for (int i = 0; i < cycle.count(); i++) {
                cycle(cycle.channels(), cycle.strength());
            }
        } else if (treatment instanceof Treatment.Handwork work) {
            handwork(work, soakedMinutes);
        }
    }

    private void handwork(Treatment.Handwork work, double minutes) {
        switch (work.method()) {
            case STATION -> cleanStation();
            case WIPE -> wipe();
            case PAD -> {
                pad();
                soak(work.channels(), Place.PORT, minutes, 22, 0.9);
            }
            case VAPOUR -> pad();
            case RESEAT -> contacts &= chance().nextDouble() < noise.stubborn();
            case UNDERSIDE -> carriageDirty = false;
            case STRIP -> stripSmeared = false;
            case RINSE -> paths.keySet().forEach(code -> handwork(Method.RINSE, code));
            case CHARGE -> cycle(work.channels(), Strength.NORMAL);
            default -> work.channels().forEach(code -> handwork(work.method(), code));
        }
    }

    private void handwork(Method method, String code) {
        switch (method) {
            case PURGE, DRAW_IN, PRIME -> purge(code);
            case CARTRIDGE -> replaceCartridge(code);
            case DAMPER, LINE, SYSTEM -> cleanSupply(code);
            case RINSE -> flush(code, 20, 10, 40, 0.5);
            case DRAW_BACK -> drawBack(code, 30);
            default -> {
                // A rest, a page, an alignment: time and the next check tell.
            }
        }
    }

    /** What a person sees of one stroke. */
    public record Pushed(double seconds, Resistance resistance, Effluent effluent, Stream stream) {}

    /**
     * Fluid pushed in at a port.
     *
     * @param pressureKpa at the port; beyond the family's limit it does harm
     * @param fit how well the fluid suits the ink, 0 to 1
     */
    public Pushed flush(String code, double volumeMl, double pressureKpa, double temperatureC, double fit) {
        Random random = chance();
        ChannelState path = path(code);
        Double limit = family.limits().pushKpa();
        double over = limit == null ? pressureKpa / 20 : pressureKpa / limit - 1;
        double share = pressureKpa / (limit == null ? 40 : limit);
        double warm = viscosity(20) / viscosity(temperatureC);
        for (int i = 0; i < path.plugUm.length; i++) {
            double held = path.plugUm[i] * (0.4 + path.strength[i]);
            if (held < PUSH_BREAKS_UM.value() * share * (0.5 + 0.5 * fit) * Math.sqrt(warm)) {
                path.plugUm[i] = 0;
            }
        }
        if (over > 0) {
            harmed++;
            path.bend(Math.min(1, OVER_PRESSURE_SHARE.value() * (1 + over) / 0.4), random);
            for (int i = 0; i < path.bent.length; i++) {
                path.bent[i] = path.bent[i] == 0 ? 0 : Math.signum(path.bent[i]) * OVER_PRESSURE_BENDS.value();
            }
        }
        double flowMlPerS = flow(path, pressureKpa, temperatureC);
        wet = Math.max(wet, WET_AFTER_FLUSH.value());
        if (flowMlPerS < 0.01) {
            return new Pushed(120, Resistance.WOULD_NOT_GO, Effluent.INK, Stream.NOTHING);
        }
        path.colour *= Math.exp(-volumeMl / 1.2);
        path.unsuitable &= path.colour > ALL_OUT;
        path.air = random.nextDouble() < FLUSH_LEAVES_AIR.value()
                ? Math.max(path.air * 0.5, FLUSH_AIR.value() * random.nextDouble())
                : path.air * 0.5;
        double open = path.openShare();
        return new Pushed(
                volumeMl / flowMlPerS,
                open < 0.5 || path.narrowed > 0.5 ? Resistance.STIFF : Resistance.FREE,
                path.colour > 0.5 ? Effluent.INK : path.colour > 0.05 ? Effluent.TINTED : Effluent.LIKE_FRESH,
                open > 0.85 ? Stream.WHOLE : open > 0.1 ? Stream.DRIPS : Stream.NOTHING);
    }

    /** Viscosity of water, Pa·s (handbook 18). */
    static double viscosity(double temperatureC) {
        return 2.414e-5 * Math.pow(10, 247.8 / (temperatureC + 273.15 - 140));
    }

    /** Flow through the open nozzles of a channel, mL/s: Hagen–Poiseuille with Sampson's end term (handbook 18). */
    public double flowMlPerS(String code, double pressureKpa, double temperatureC) {
        return flow(path(code), pressureKpa, temperatureC);
    }

    private double flow(ChannelState path, double pressureKpa, double temperatureC) {
        double bore = family.boreUm() * 1e-6;
        double plate = family.plateUm() * 1e-6;
        double open = path.openShare() * path.plugUm.length;
        double cubicMetres = open
                * Math.PI
                * Math.pow(bore, 4)
                * pressureKpa
                * 1000
                / (128 * viscosity(temperatureC) * (plate + 3 * Math.PI * bore / 16));
        return cubicMetres * 1e6;
    }

    /** Fluid left standing: what it dissolves grows with the root of the time (handbook 18: t ≈ L²/D). */
    public void soak(Collection<String> channels, Place place, double minutes, double temperatureC, double fit) {
        double warm = viscosity(20) / viscosity(temperatureC);
        for (String code : channels) {
            ChannelState path = path(code);
            for (int i = 0; i < path.plugUm.length; i++) {
                double depth = path.plugUm[i] * 1e-6;
                double slow = 1 / (1 + 3 * path.strength[i]);
                double left = depth * depth - DIFFUSION.value() * minutes * 60 * warm * fit * slow;
                path.plugUm[i] = left <= 0 ? 0 : Math.sqrt(left) * 1e6;
                path.strength[i] *= 0.9;
            }
            if (place == Place.PORT) {
                path.colour *= 0.5;
            }
            if (place == Place.TRAY) {
                path.loosen(PAD_LOOSENS.value() / 2, chance());
                wet = Math.max(wet, WET_AFTER_TRAY.value());
            }
        }
    }

    public void bath(Collection<String> channels, int bursts, double temperatureC) {
        Random random = chance();
        for (String code : channels) {
            ChannelState path = path(code);
            for (int i = 0; i < path.plugUm.length; i++) {
                path.plugUm[i] =
                        Math.max(0, path.plugUm[i] - bursts * BURST_TAKES_UM.value() / (0.5 + path.strength[i]));
            }
            path.loosen(0.5, random);
            if (temperatureC > family.limits().heatC() || bursts > 3) {
                path.bend(0.3, random);
                harmed++;
            }
        }
        wet = Math.max(wet, WET_AFTER_BATH.value());
    }

    /** A small dose that drives out air, cartridge straight back on. */
    public void purge(String code) {
        path(code).air *= 1 - PURGE_TAKES_AIR.value();
    }

    /** Fluid drawn from a wet plate up through the face. */
    public void drawBack(String code, double suctionKpa) {
        ChannelState path = path(code);
        for (int i = 0; i < path.plugUm.length; i++) {
            path.plugUm[i] = path.plugUm[i] * (0.3 + path.strength[i]) < PUSH_BREAKS_UM.value() * suctionKpa / 20
                    ? 0
                    : path.plugUm[i];
        }
        path.colour *= 0.3;
        path.unsuitable &= path.colour > ALL_OUT;
        wet = Math.max(wet, WET_AFTER_TRAY.value());
    }

    public void wipe() {
        Random random = chance();
        paths.values().forEach(path -> path.loosen(WIPE_LOOSENS.value(), random));
    }

    /** A pad or vapour soak under the face. */
    public void pad() {
        Random random = chance();
        paths.values().forEach(path -> path.loosen(PAD_LOOSENS.value(), random));
    }

    public void cleanStation() {
        station *= 0.1;
    }

    public void replaceCartridge(String code) {
        path(code).ink = true;
        if (!family.construction().hasDampers()) {
            // What narrows the supply of a head without dampers is its cartridge.
            path(code).narrowed = 0;
        }
    }

    public void cleanSupply(String code) {
        path(code).narrowed = 0;
    }

    public void reseat() {
        contacts = false;
    }

    /** Time passes with the mains off. */
    public void rest(double hours) {
        Random random = chance();
        wet *= Math.pow(0.5, hours / DRY_HALF_HOURS.value());
        for (ChannelState path : paths.values()) {
            path.air *= Math.pow(1 - REST_TAKES_AIR.value(), hours / 12);
            if (path.unsuitable && hours >= 8) {
                path.plug(0.1, 60, 0.5, random);
            }
        }
    }

    /** Ink that cycles burned so far, mL. */
    public double inkBurnedMl() {
        return inkBurnedMl;
    }
}
