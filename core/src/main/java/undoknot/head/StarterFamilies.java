package undoknot.head;

import java.util.List;
import java.util.Map;

/** The families a new shop starts with: one invented family for each construction of handbook 9. */
public final class StarterFamilies {

    private static final String CYAN = "#0092c4";
    private static final String MAGENTA = "#c2186b";
    private static final String YELLOW = "#d9a800";
    private static final String BLACK = "#22252b";
    private static final String GREY = "#7d838c";

    private static final Map<String, Channel.Fitting> FITTINGS = Map.of(
            "drops only", Channel.Fitting.DROPS_ONLY,
            "tip", Channel.Fitting.TIGHT_TIP,
            "sleeve", Channel.Fitting.SLEEVE,
            "adapted cartridge", Channel.Fitting.ADAPTED_CARTRIDGE);

    public static final List<Family> ALL = List.of(
            family(
                    "SKERRIN-L4",
                    "Skerrin L4",
                    Construction.LAMINATED_PIEZO,
                    16,
                    8,
                    2,
                    32,
                    60,
                    List.of("mains off while it travels"),
                    "manifold post, 3 mm soft tube",
                    "K Black " + BLACK,
                    "C Cyan " + CYAN,
                    "M Magenta " + MAGENTA,
                    "Y Yellow " + YELLOW),
            family(
                    "ORSEL-D6",
                    "Orsel D6",
                    Construction.DESK_PIEZO,
                    20,
                    8,
                    4,
                    21,
                    32,
                    List.of("cartridge-exchange position", "mains off while it travels"),
                    "needle, tight silicone tip",
                    "K Black " + BLACK,
                    "C Cyan " + CYAN,
                    "M Magenta " + MAGENTA,
                    "Y Yellow " + YELLOW,
                    "LC Light-cyan #6fc3de",
                    "LM Light-magenta #e08bb4"),
            family(
                    "VENNICK-B3",
                    "Vennick B3",
                    Construction.THERMAL_BLADDER,
                    13,
                    16,
                    2,
                    19,
                    25,
                    List.of("cartridge-exchange position"),
                    "needle over bladder, short sleeve",
                    "C Cyan " + CYAN,
                    "M Magenta " + MAGENTA,
                    "Y Yellow " + YELLOW),
            family(
                    "TARROW-T4",
                    "Tarrow T4",
                    Construction.THERMAL_OPEN,
                    12,
                    16,
                    4,
                    20,
                    28,
                    List.of("cover open: it comes to the middle"),
                    "screen inlet, drops only",
                    "K Black " + BLACK,
                    "C Cyan " + CYAN,
                    "M Magenta " + MAGENTA,
                    "Y Yellow " + YELLOW),
            family(
                    "PELLAM-M5",
                    "Pellam M5",
                    Construction.METERED_PIEZO,
                    12,
                    12,
                    2,
                    26,
                    40,
                    List.of("service button held for three seconds"),
                    "stem behind the metering valve, adapted cartridge",
                    "K Black " + BLACK,
                    "C Cyan " + CYAN,
                    "M Magenta " + MAGENTA,
                    "Y Yellow " + YELLOW,
                    "G Grey " + GREY),
            family(
                    "HULVER-W8",
                    "Hulver W8",
                    Construction.WIDE_PIEZO,
                    10,
                    20,
                    4,
                    25,
                    45,
                    List.of("service menu, carriage to the right", "mains off while it travels"),
                    "damper post, 4 mm tube",
                    "K Black " + BLACK,
                    "C Cyan " + CYAN,
                    "M Magenta " + MAGENTA,
                    "Y Yellow " + YELLOW,
                    "LK Light-black " + GREY,
                    "O Orange #d8701c",
                    "S Silver #8d97a3",
                    "W White #b9c2c9"));

    private StarterFamilies() {}

    private static Family family(
            String code,
            String name,
            Construction construction,
            int stairs,
            int steps,
            int driveGroups,
            double boreUm,
            double plateUm,
            List<String> freeCarriage,
            String port,
            String... channels) {
        List<Channel> built = java.util.Arrays.stream(channels)
                .map(line -> line.split(" "))
                .map(part ->
                        new Channel(part[0], part[1].replace('-', ' '), part[2], port, stairs * steps, fittingOf(port)))
                .toList();
        return new Family(
                code,
                name,
                construction,
                built,
                stairs,
                steps,
                driveGroups,
                boreUm,
                plateUm,
                freeCarriage,
                null,
                machine(construction));
    }

    /** What usually comes off such a machine, how its head is aligned, what its cycles burn. */
    private static Machine machine(Construction construction) {
        return switch (construction) {
            case LAMINATED_PIEZO ->
                machine(
                        new Machine.CycleInk(2.0, 4.0, 12.0),
                        false,
                        "cover",
                        "manifold, four screws",
                        "gasket",
                        "head",
                        "ribbon");
            case DESK_PIEZO ->
                machine(
                        new Machine.CycleInk(1.1, 2.0, 6.0),
                        false,
                        "cartridges, light first",
                        "tubes from their guide",
                        "sub-tanks",
                        "ribbon cover",
                        "two screws",
                        "head",
                        "ribbon");
            case THERMAL_BLADDER -> machine(new Machine.CycleInk(1.5, 3.0, 9.0), true, "cartridges", "latch", "head");
            case THERMAL_OPEN ->
                machine(new Machine.CycleInk(1.2, 2.5, 8.0), true, "cartridges, light first", "lever", "head", "seals");
            case METERED_PIEZO ->
                machine(
                        new Machine.CycleInk(1.6, 3.2, 9.0),
                        false,
                        "top cover",
                        "head cover, three screws",
                        "boot of the stem");
            case WIDE_PIEZO ->
                machine(
                        new Machine.CycleInk(5.0, 25.0, 110.0),
                        false,
                        "cover",
                        "line bundle",
                        "dampers",
                        "head plate, four screws");
        };
    }

    private static Machine machine(Machine.CycleInk ink, boolean recentres, String... parts) {
        return new Machine(List.of(parts), new Machine.Alignment(4, 1, 9, 5, recentres), ink, "");
    }

    private static Channel.Fitting fittingOf(String port) {
        return FITTINGS.entrySet().stream()
                .filter(e -> port.contains(e.getKey()))
                .map(Map.Entry::getValue)
                .findFirst()
                .orElse(Channel.Fitting.TUBE);
    }
}
