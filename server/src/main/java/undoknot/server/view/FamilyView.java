package undoknot.server.view;

import java.util.List;
import undoknot.head.Channel;
import undoknot.head.Construction;
import undoknot.head.Family;
import undoknot.head.Machine;

/** A family as the screens are told about it. */
public record FamilyView(
        String code,
        String name,
        Construction construction,
        List<Channel> channels,
        int stairs,
        int steps,
        int driveGroups,
        undoknot.head.Limits limits,
        List<String> freeCarriage,
        Machine machine) {
    public static FamilyView of(Family family) {
        return new FamilyView(
                family.code(),
                family.name(),
                family.construction(),
                family.channels(),
                family.stairs(),
                family.steps(),
                family.driveGroups(),
                family.limits(),
                family.freeCarriage(),
                family.machine());
    }
}
