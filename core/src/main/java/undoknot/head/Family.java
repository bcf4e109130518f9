package undoknot.head;

import java.util.Collection;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;

/**
 * A head construction as one maker builds it.
 *
 * @param code short key
 * @param name name shown to people
 * @param construction how it is built; gives the limits
 * @param channels in port order, as seen from the front
 * @param stairs stairs in one block of its check layout (C)
 * @param steps steps of one stair (R); stairs × steps is the number of nozzles of each channel
 * @param driveGroups groups of neighbouring nozzles that one driver serves, per channel
 * @param boreUm nozzle bore, µm
 * @param plateUm nozzle plate thickness, µm
 * @param freeCarriage ways to free the carriage, most usual first
 * @param ownLimits limits that a lead set for the family, or null for those of its construction
 * @param machine what its printers share: what comes off, how it is aligned, what a cycle burns
 */
public record Family(
        String code,
        String name,
        Construction construction,
        List<Channel> channels,
        int stairs,
        int steps,
        int driveGroups,
        double boreUm,
        double plateUm,
        List<String> freeCarriage,
        Limits ownLimits,
        Machine machine) {

    /** A family of whose printers nothing more is known. */
    public Family(
            String code,
            String name,
            Construction construction,
            List<Channel> channels,
            int stairs,
            int steps,
            int driveGroups,
            double boreUm,
            double plateUm,
            List<String> freeCarriage,
            Limits ownLimits) {
        this(
                code,
                name,
                construction,
                channels,
                stairs,
                steps,
                driveGroups,
                boreUm,
                plateUm,
                freeCarriage,
                ownLimits,
                Machine.UNKNOWN);
    }

    /** A family with the limits of its construction. */
    public Family(
            String code,
            String name,
            Construction construction,
            List<Channel> channels,
            int stairs,
            int steps,
            int driveGroups,
            double boreUm,
            double plateUm,
            List<String> freeCarriage) {
        this(code, name, construction, channels, stairs, steps, driveGroups, boreUm, plateUm, freeCarriage, null);
    }

    public Family {
        Objects.requireNonNull(code, "code");
        Objects.requireNonNull(name, "name");
        Objects.requireNonNull(construction, "construction");
        channels = List.copyOf(channels);
        freeCarriage = List.copyOf(freeCarriage);
        // Families that were stored before this was known say nothing of it.
        machine = machine == null ? Machine.UNKNOWN : machine;
        if (channels.isEmpty()) {
            throw new IllegalArgumentException("channels must not be empty");
        }
        if (stairs < 1 || steps < 1 || driveGroups < 1) {
            throw new IllegalArgumentException("stairs, steps and driveGroups must be 1 or more, were " + stairs + ", "
                    + steps + ", " + driveGroups);
        }
        if (!(boreUm > 0) || !(plateUm > 0)) {
            throw new IllegalArgumentException("boreUm and plateUm must be above 0, were " + boreUm + ", " + plateUm);
        }
        Set<String> seen = new HashSet<>();
        for (Channel channel : channels) {
            if (!seen.add(channel.code())) {
                throw new IllegalArgumentException("channel " + channel.code() + " stands twice in " + code);
            }
            if (channel.nozzles() != stairs * steps) {
                throw new IllegalArgumentException("channel " + channel.code() + " has " + channel.nozzles()
                        + " nozzles, but the check layout draws " + stairs + " × " + steps);
            }
        }
    }

    public Limits limits() {
        return ownLimits == null ? construction.limits() : ownLimits;
    }

    public Family withLimits(Limits limits) {
        return with(channels, limits);
    }

    /**
     * The same as a printer has it that carries fewer channels: absent ones are in no map, count or report (handbook 4).
     *
     * @param codes channels that are there; an unknown one counts for nothing, and with none at all the family stays whole
     */
    public Family having(Collection<String> codes) {
        List<Channel> there =
                channels.stream().filter(c -> codes.contains(c.code())).toList();
        return there.isEmpty() || there.size() == channels.size() ? this : with(there, ownLimits);
    }

    private Family with(List<Channel> there, Limits limits) {
        return new Family(
                code,
                name,
                construction,
                there,
                stairs,
                steps,
                driveGroups,
                boreUm,
                plateUm,
                freeCarriage,
                limits,
                machine);
    }

    /** Channels in the order in which they are opened: light colours first, so that dark drops never fall into light (handbook 8). */
    public List<String> lightFirst(Collection<String> codes) {
        return channels.stream()
                .filter(c -> codes.contains(c.code()))
                .sorted(Comparator.comparingDouble(Channel::lightness).reversed())
                .map(Channel::code)
                .toList();
    }

    public Optional<Channel> channel(String channelCode) {
        return channels.stream().filter(c -> c.code().equals(channelCode)).findFirst();
    }
}
