package undoknot.scan;

import java.util.Arrays;
import java.util.List;

/** Ink of a picture as runs of pixels along its lines, and the blobs that they make with their neighbours. */
final class InkRuns {

    int[] row = new int[256];
    int[] from = new int[256];
    int[] to = new int[256];
    private float[][] change = new float[3][256];
    int count;

    /** Begins a run; lines come from the top, runs from the left. */
    int begin(int y, int x) {
        if (count == row.length) {
            int more = 2 * count;
            row = Arrays.copyOf(row, more);
            from = Arrays.copyOf(from, more);
            to = Arrays.copyOf(to, more);
            for (int k = 0; k < 3; k++) {
                change[k] = Arrays.copyOf(change[k], more);
            }
        }
        row[count] = y;
        from[count] = x;
        to[count] = x;
        return count++;
    }

    /** One more pixel with its change of light by colour. */
    void extend(int run, float[] by) {
        to[run]++;
        for (int k = 0; k < 3; k++) {
            change[k][run] += by[k];
        }
    }

    /** Runs of parts of the picture, from the top. */
    static InkRuns joined(List<InkRuns> parts) {
        int all = parts.stream().mapToInt(p -> p.count).sum();
        InkRuns joined = new InkRuns();
        joined.row = new int[all];
        joined.from = new int[all];
        joined.to = new int[all];
        joined.change = new float[3][all];
        for (InkRuns part : parts) {
            System.arraycopy(part.row, 0, joined.row, joined.count, part.count);
            System.arraycopy(part.from, 0, joined.from, joined.count, part.count);
            System.arraycopy(part.to, 0, joined.to, joined.count, part.count);
            for (int k = 0; k < 3; k++) {
                System.arraycopy(part.change[k], 0, joined.change[k], joined.count, part.count);
            }
            joined.count += part.count;
        }
        return joined;
    }

    /** For each run the blob it belongs to: runs of neighbouring lines that touch, at a corner as well, are one. */
    int[] blobs() {
        int[] parent = new int[count];
        int above = 0;
        for (int run = 0; run < count; run++) {
            parent[run] = run;
            while (above < run && (row[above] < row[run] - 1 || row[above] == row[run] - 1 && to[above] < from[run])) {
                above++;
            }
            for (int other = above; other < run && row[other] == row[run] - 1 && from[other] <= to[run]; other++) {
                parent[root(parent, other)] = root(parent, run);
            }
        }
        for (int run = 0; run < count; run++) {
            parent[run] = root(parent, run);
        }
        return parent;
    }

    private static int root(int[] parent, int run) {
        int at = run;
        while (parent[at] != at) {
            parent[at] = parent[parent[at]];
            at = parent[at];
        }
        return at;
    }

    /** Number, place, spread and colour of each blob, by its number: n, x, y, xx, xy, yy, and the three changes. */
    double[][] sums(int[] blobOf) {
        double[][] sums = new double[count][];
        for (int run = 0; run < count; run++) {
            double[] sum = sums[blobOf[run]];
            if (sum == null) {
                sum = sums[blobOf[run]] = new double[9];
            }
            double n = to[run] - from[run];
            double first = from[run];
            double x = n * first + n * (n - 1) / 2;
            double y = row[run];
            sum[0] += n;
            sum[1] += x;
            sum[2] += n * y;
            sum[3] += n * first * first + first * n * (n - 1) + (n - 1) * n * (2 * n - 1) / 6;
            sum[4] += x * y;
            sum[5] += n * y * y;
            for (int k = 0; k < 3; k++) {
                sum[6 + k] += change[k][run];
            }
        }
        return sums;
    }
}
