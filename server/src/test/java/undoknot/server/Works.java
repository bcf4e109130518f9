package undoknot.server;

import java.util.List;
import java.util.Map;
import undoknot.treatment.Method;

/** One piece of work of every method, right as it stands. */
public final class Works {

    private Works() {}

    /** Treatment of cyan by a method, as it is sent. */
    public static Map<String, Object> of(Method method) {
        List<String> cyan = List.of("C");
        return switch (method.kind()) {
            case FLUSH ->
                Map.of(
                        "kind",
                        "FLUSH",
                        "flush",
                        Map.of(
                                "method",
                                method,
                                "temperatureC",
                                method == Method.WARM ? 40 : 22,
                                "strokes",
                                List.of(Map.of(
                                        "channel",
                                        "C",
                                        "volumeMl",
                                        1,
                                        "seconds",
                                        60,
                                        "resistance",
                                        "FREE",
                                        "effluent",
                                        "INK",
                                        "stream",
                                        "WHOLE"))));
            case SOAK ->
                Map.of(
                        "kind",
                        "SOAK",
                        "soak",
                        Map.of(
                                "place",
                                method == Method.TRAY_SOAK ? "TRAY" : "PORT",
                                "channels",
                                cyan,
                                "volumeMl",
                                1,
                                "plannedMinutes",
                                10));
            case BATH ->
                Map.of(
                        "kind",
                        "BATH",
                        "bath",
                        Map.of(
                                "channels",
                                cyan,
                                "volumeMl",
                                5,
                                "levelMm",
                                3,
                                "temperatureC",
                                35,
                                "bursts",
                                1,
                                "burstSeconds",
                                60));
            case CYCLE ->
                Map.of(
                        "kind",
                        "CYCLE",
                        "cycle",
                        Map.of(
                                "channels",
                                cyan,
                                "strength",
                                method == Method.CYCLE_STRONG ? "STRONG" : "LIGHT",
                                "count",
                                1));
            case HANDWORK -> Map.of("kind", "HANDWORK", "handwork", Map.of("method", method.name(), "channels", cyan));
        };
    }
}
