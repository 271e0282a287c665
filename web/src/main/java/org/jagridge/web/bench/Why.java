package org.jagridge.web.bench;

import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Why something is in for a test, who has put it in and until when; each may be empty.
 *
 * @param until as people say it: "4 December", "after lunch"
 */
public record Why(String reason, String who, String until) {
    private static final int LONGEST_REASON = 200;
    private static final int LONGEST_NAME = 80;

    public Why(String reason, String who, String until) {
        this.reason = reason.strip();
        this.who = who.strip();
        this.until = until.strip();
    }

    /** @throws BadActException where there is no room for one of them */
    void requireRoom() {
        require("reason", reason, LONGEST_REASON);
        require("name", who, LONGEST_NAME);
        require("time until when", until, LONGEST_NAME);
    }

    private static void require(String what, String text, int most) {
        if (text.length() > most) {
            throw new BadActException("The " + what + " has " + text.length() + " letters; there is room for " + most
                    + ". Nothing was done.");
        }
    }

    /** "blower held on; D. Medlar, until 4 December". */
    String words() {
        String hands = Stream.of(who, until.isEmpty() ? "" : "until " + until)
                .filter(w -> !w.isEmpty())
                .collect(Collectors.joining(", "));
        return Stream.of(reason, hands).filter(w -> !w.isEmpty()).collect(Collectors.joining("; "));
    }

    /** As an action keeps it. */
    Map<String, Object> body() {
        return Map.of("reason", reason, "who", who, "until", until);
    }
}
