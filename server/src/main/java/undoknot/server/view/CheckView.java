package undoknot.server.view;

import java.time.Instant;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.lang.Nullable;
import undoknot.head.Channel;
import undoknot.nozzle.Acceptance;
import undoknot.nozzle.ChannelFeatures;
import undoknot.nozzle.CoarseReading;
import undoknot.server.visit.LoggedVisit;
import undoknot.server.visit.NotTaken;
import undoknot.server.visit.NozzleCheck;
import undoknot.treatment.Gate;

/** A check as the screens are told about it: its reading, counts by channel, acceptance. */
public record CheckView(
        UUID id,
        long version,
        int number,
        Instant takenAt,
        @Nullable Instant enteredAt,
        String takenBy,
        @Nullable Map<String, String> reading,
        @Nullable UUID scanId,
        @Nullable Map<String, String> readAs,
        int corrected,
        @Nullable CoarseReading coarse,
        @Nullable String notPossible,
        @Nullable NotTaken notTaken,
        @Nullable LocalDate toldOn,
        String note,
        boolean simulated,
        @Nullable String departureReason,
        List<Gate> against,
        @Nullable Map<String, ChannelCounts> channels,
        @Nullable Acceptance acceptance) {
    public static CheckView of(NozzleCheck check, LoggedVisit logged) {
        Map<String, ChannelCounts> channels = null;
        Map<String, String> reading = null;
        Map<String, String> readAs = logged.readAs(check);
        if (logged.map(check) != null) {
            channels = new LinkedHashMap<>();
            reading = logged.map(check).texts();
            for (Channel channel : logged.family().channels()) {
                channels.put(
                        channel.code(),
                        ChannelCounts.of(ChannelFeatures.of(
                                logged.map(check).channel(channel.code()),
                                logged.family().driveGroups())));
            }
        }
        return new CheckView(
                check.id,
                check.version,
                logged.checks().indexOf(check) + 1,
                check.takenAt,
                check.enteredAt,
                check.takenBy,
                reading,
                check.scanId,
                readAs,
                reading == null || readAs == null ? 0 : countCorrected(reading, readAs),
                logged.coarse(check),
                check.notPossible,
                check.notTaken,
                check.toldOn,
                check.note,
                check.simulated,
                check.departureReason,
                logged.gates(check.against),
                channels,
                logged.acceptance(check));
    }

    public record ChannelCounts(
            int nozzles,
            int firing,
            int weak,
            int deflected,
            int out,
            int unread,
            int longestRun,
            int longestRunFirst,
            boolean whollyOut,
            @Nullable ChannelFeatures.FilledGroups filledGroups,
            List<ChannelFeatures.DensityStep> densitySteps) {
        public static ChannelCounts of(ChannelFeatures f) {
            return new ChannelCounts(
                    f.nozzles(),
                    f.firing(),
                    f.weak(),
                    f.deflected(),
                    f.out(),
                    f.unread(),
                    f.longestRun().length(),
                    f.longestRun().first(),
                    f.whollyOut(),
                    f.filledGroups().orElse(null),
                    f.densitySteps());
        }
    }

    /** Nozzles that a person gave another state than the reader did. */
    private static int countCorrected(Map<String, String> reading, Map<String, String> readAs) {
        int count = 0;
        for (Map.Entry<String, String> channel : reading.entrySet()) {
            String before = readAs.getOrDefault(channel.getKey(), channel.getValue());
            for (int i = 0; i < Math.min(before.length(), channel.getValue().length()); i++) {
                count += before.charAt(i) == channel.getValue().charAt(i) ? 0 : 1;
            }
        }
        return count;
    }
}
