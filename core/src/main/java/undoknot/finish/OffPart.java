package undoknot.finish;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import undoknot.treatment.NoPower;

/**
 * Something that came off a machine, or was laid into it, noted as it happens (handbook 14). It goes back by the reversed list.
 *
 * @param id its key
 * @param name as a technician calls it
 * @param channel whose it is; null for parts of the machine
 * @param count how many, 1 or more
 * @param note length and place of screws, which way a seal faces; empty for none
 * @param back how it came back; null while it is off
 */
public record OffPart(
        String id, Kind kind, String name, String channel, int count, String note, Instant offAt, Back back) {

    public enum Kind {
        PART,
        HEAD,
        SCREW,
        CLIP,
        SEAL,
        RIBBON,
        TUBE,
        CARTRIDGE,
        LAID_IN;

        /** What keeps the head from power while it is open; null for what does not. */
        public NoPower keepsFromPower() {
            return switch (this) {
                case RIBBON -> NoPower.CABLE_OFF;
                case LAID_IN -> NoPower.LAID_IN;
                default -> null;
            };
        }
    }

    /**
     * How it came back.
     *
     * @param count how many of it
     * @param light whether the machine's light says so, of a cartridge; null while nobody looked
     * @param menu whether its menu says so
     * @param stays that it does not go back, for a reason that is kept with it
     */
    public record Back(int count, Boolean light, Boolean menu, boolean stays) {}

    public OffPart {
        Objects.requireNonNull(id, "id");
        Objects.requireNonNull(kind, "kind");
        Objects.requireNonNull(name, "name");
        Objects.requireNonNull(offAt, "offAt");
        if (count < 1) {
            throw new IllegalArgumentException("count must be 1 or more, was " + count);
        }
    }

    /** As it is called in a sentence: "screws", "cartridge C". */
    public String called() {
        return channel == null ? name : name + " " + channel;
    }

    /** Whether it still has to go back: every screw counts, and a cartridge is in when light and menu agree. */
    public boolean isOpen() {
        if (back == null) {
            return true;
        }
        if (back.stays()) {
            return false;
        }
        boolean seen = kind != Kind.CARTRIDGE || Boolean.TRUE.equals(back.light()) && Boolean.TRUE.equals(back.menu());
        return back.count() < count || !seen;
    }

    /** Whether light and menu were both looked at and say different things. */
    public boolean isInDispute() {
        return back != null
                && back.light() != null
                && back.menu() != null
                && !back.light().equals(back.menu());
    }

    /** What is still off, in the order in which it goes back: last off, first on. */
    public static List<OffPart> reversed(List<OffPart> parts) {
        return parts.stream()
                .filter(OffPart::isOpen)
                .sorted(Comparator.comparing(OffPart::offAt).reversed())
                .toList();
    }
}
