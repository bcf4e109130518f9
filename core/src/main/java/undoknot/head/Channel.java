package undoknot.head;

/**
 * One ink path of a family.
 *
 * @param code short name used in maps and forms, unique within the family
 * @param colour colour in words
 * @param ink colour of the ink on the screen, as #rrggbb
 * @param port what the ink enters by, and what fits it
 * @param nozzles number of nozzles, numbered from 1
 */
public record Channel(String code, String colour, String ink, String port, int nozzles) {

    public Channel {
        if (code == null || !code.matches("[A-Za-z]{1,3}")) {
            throw new IllegalArgumentException("code must be one to three letters, was " + code);
        }
        if (nozzles < 1 || nozzles > 4096) {
            throw new IllegalArgumentException("nozzles must be 1 to 4096, was " + nozzles);
        }
    }
}
