package undoknot.server.observation;

import undoknot.head.Family;
import undoknot.observation.Look;
import undoknot.observation.Sign;
import undoknot.server.problem.Refused;

/** Refuses observations that cannot be made on a head, in the entry where they were made. */
public final class SignCheck {

    private SignCheck() {}

    /** @param field the entry, for the problem */
    public static void check(Family family, Sign sign, String channel, String field) {
        if (channel != null && family.channel(channel).isEmpty()) {
            throw Refused.entry(field + ".channel", "UNKNOWN", "This head has no channel " + channel + ".");
        }
        Look.making(sign).ifPresent(look -> {
            if (!look.fits(family.construction())) {
                throw Refused.entry(
                        field + ".sign", "NOT_ON_THIS_HEAD", "A " + family.name() + " has nothing to look at there.");
            }
            if (look.scope() == Look.Scope.CHANNEL && channel == null) {
                throw Refused.entry(field + ".channel", "MISSING", "Say in which channel you looked.");
            }
            if (!look.goesByPort() && channel != null) {
                throw Refused.entry(
                        field + ".channel", "WHOLE_HEAD", "This look is about the whole head. Leave the channel out.");
            }
        });
    }
}
