package undoknot.head;

/**
 * One ink path of a family.
 *
 * @param code short name used in maps and forms, unique within the family
 * @param colour colour in words
 * @param ink colour of the ink on the screen, as #rrggbb
 * @param port what the ink enters by, and what fits it
 * @param nozzles number of nozzles, numbered from 1
 * @param fitting what fits the port, or that nothing does
 */
public record Channel(String code, String colour, String ink, String port, int nozzles, Fitting fitting) {

    /** What fits a port (handbook 4). */
    public enum Fitting {
        TUBE,
        TIGHT_TIP,
        SLEEVE,
        ADAPTED_CARTRIDGE,
        /** A sponge or a screen: drops go on it, nothing can be pushed into it. */
        DROPS_ONLY
    }

    /** A channel whose port takes a tube. */
    public Channel(String code, String colour, String ink, String port, int nozzles) {
        this(code, colour, ink, port, nozzles, Fitting.TUBE);
    }

    public Channel {
        // Families that were stored before fittings were known say nothing of it.
        fitting = fitting == null ? Fitting.TUBE : fitting;
        if (code == null || !code.matches("[A-Za-z]{1,3}")) {
            throw new IllegalArgumentException("code must be one to three letters, was " + code);
        }
        if (nozzles < 1 || nozzles > 4096) {
            throw new IllegalArgumentException("nozzles must be 1 to 4096, was " + nozzles);
        }
    }

    /** How light its ink is, 0 black to 255 white, by the weights of the eye (ITU-R BT.601). */
    public double lightness() {
        int rgb = Integer.parseInt(ink.substring(1), 16);
        return 0.299 * (rgb >> 16 & 0xff) + 0.587 * (rgb >> 8 & 0xff) + 0.114 * (rgb & 0xff);
    }

    public boolean takesPush() {
        return fitting != Fitting.DROPS_ONLY;
    }
}
