package undoknot.server.report;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import undoknot.finish.Aftercare;
import undoknot.finish.Alignment;
import undoknot.finish.Bill;
import undoknot.finish.Harmless;
import undoknot.finish.Proof;
import undoknot.head.Channel;
import undoknot.server.finish.CareList;
import undoknot.server.finish.WhatWasWrong;
import undoknot.server.outcome.BillTerms;
import undoknot.server.outcome.Money;
import undoknot.server.shop.Shops;
import undoknot.server.visit.Attempt;
import undoknot.server.visit.LoggedVisit;
import undoknot.server.words.Words;
import undoknot.treatment.Method;
import undoknot.visit.VisitLog;

/** Puts page one of a report into words. */
@Component
class PlainWords {

    private final Words words;
    private final WhatWasWrong wrong;
    private final CareList care;
    private final Money money;
    private final Shops shops;

    PlainWords(Words words, WhatWasWrong wrong, CareList care, Money money, Shops shops) {
        this.words = words;
        this.wrong = wrong;
        this.care = care;
        this.money = money;
        this.shops = shops;
    }

    PlainPage of(LoggedVisit logged, VisitLog log) {
        Bill bill = money.bill(logged);
        BillTerms terms = money.billTerms(logged);
        return new PlainPage(
                wrong.with(logged).stream().map(w -> wrong(logged, w)).toList(),
                done(logged),
                stands(logged, log),
                care.of(logged).stream().map(c -> care(logged, c)).toList(),
                bill,
                terms.note() == null || terms.note().isBlank()
                        ? null
                        : terms.note().strip(),
                limit(bill),
                money.spentOn(logged).unpriced().stream()
                        .map(u -> u.lot() == null ? "new " + words.of("part", u.part()) : u.lot())
                        .toList());
    }

    private PlainPage.WrongLine wrong(LoggedVisit logged, WhatWasWrong.Wrong w) {
        String where = w.channels().isEmpty() ? "" : " in " + names(logged, w.channels());
        String sure = w.mended()
                ? "Found and dealt with"
                : w.percent() == null ? "" : "Most likely, " + w.percent() + " in 100";
        String because = w.reasons().stream().map(words::observation).collect(Collectors.joining("; "));
        String how = sure.isEmpty() || because.isEmpty() ? sure + because : sure + ": " + because;
        return new PlainPage.WrongLine(
                Words.capital(words.of("cause", w.cause())) + where, how.isEmpty() ? null : Words.capital(how));
    }

    /** Channels by their colours, as a customer calls them. */
    private static String names(LoggedVisit logged, Iterable<String> codes) {
        Set<String> wanted = new LinkedHashSet<>();
        codes.forEach(wanted::add);
        return logged.family().channels().stream()
                .filter(c -> wanted.contains(c.code()))
                .map(Channel::colour)
                .map(String::toLowerCase)
                .collect(Collectors.joining(", "));
    }

    /** Each kind of work once, with how often and where. */
    private List<String> done(LoggedVisit logged) {
        Map<Method, Integer> times = new LinkedHashMap<>();
        Map<Method, Set<String>> where = new LinkedHashMap<>();
        for (Attempt attempt : logged.attemptsThatStand()) {
            var treatment = logged.treatment(attempt);
            Method method = Method.of(treatment);
            int goes = treatment instanceof undoknot.treatment.Treatment.Cycle cycle ? cycle.count() : 1;
            times.merge(method, goes, Integer::sum);
            where.computeIfAbsent(method, m -> new LinkedHashSet<>()).addAll(treatment.channels());
        }
        int all = logged.family().channels().size();
        List<String> lines = new ArrayList<>();
        times.forEach((method, n) -> {
            Set<String> channels = where.get(method);
            boolean named = !method.isWholeHead() && !channels.isEmpty() && channels.size() < all;
            lines.add(words.of("methodDone", method)
                    + (n == 1 ? "" : ", " + words.count("TIMES", n))
                    + (named ? ": " + names(logged, channels) : ""));
        });
        if (logged.purpose().isProcedure()) {
            lines.add(words.count("STEPS_DONE", logged.procedureThatStands().size()));
        }
        return lines;
    }

    private List<String> stands(LoggedVisit logged, VisitLog log) {
        List<String> lines = new ArrayList<>();
        logged.visit().overruled.forEach(doubt -> lines.add(words.of("overruled", doubt) + "."));
        for (Proof proof : Proof.of(log)) {
            lines.add(Words.capital(words.of("look", proof.look())) + ": " + words.of("proof", proof.state()) + ".");
        }
        Alignment alignment = Alignment.of(log);
        if (!alignment.passes().isEmpty()) {
            lines.add("Alignment: " + words.of("alignment", alignment.state()) + ", "
                    + words.count("PASSES", alignment.passes().size()) + ".");
        }
        List<Harmless> harmless = Harmless.of(log);
        if (!harmless.isEmpty()) {
            lines.add("Small deviations that do not matter in use: "
                    + harmless.stream().map(h -> harmless(logged, h)).collect(Collectors.joining("; ")) + ".");
        }
        if (logged.visit().told != null) {
            lines.add(words.of("customerTold", logged.visit().told) + ".");
        }
        return lines;
    }

    private String harmless(LoggedVisit logged, Harmless h) {
        List<String> what = new ArrayList<>();
        if (h.out() > 0) {
            what.add(h.out() + " out");
        }
        if (h.weak() > 0) {
            what.add(h.weak() + " weak");
        }
        if (h.deflected() > 0) {
            what.add(h.deflected() + " deflected");
        }
        Channel channel = logged.family().channel(h.channel()).orElseThrow();
        return channel.colour().toLowerCase() + " " + String.join(", ", what) + " of " + channel.nozzles();
    }

    private PlainPage.CareLine care(LoggedVisit logged, Aftercare c) {
        return new PlainPage.CareLine(
                care.text(logged, c),
                c.dates(care.from(logged)).stream().findFirst().orElse(null));
    }

    private String limit(Bill bill) {
        if (bill.limit() == null) {
            return null;
        }
        String currency = " " + shops.now().currency;
        return bill.overLimit() == null
                ? "Within your limit of " + money(bill.limit()) + currency + "."
                : "Over your limit of " + money(bill.limit()) + currency + " by " + bill.overLimit() + currency + ".";
    }

    private static BigDecimal money(BigDecimal amount) {
        return amount.setScale(2, java.math.RoundingMode.HALF_UP);
    }
}
