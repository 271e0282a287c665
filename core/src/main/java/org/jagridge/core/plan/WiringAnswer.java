package org.jagridge.core.plan;

import java.util.List;

/**
 * What the planner found.
 *
 * @param plans the best first; none is beaten by another on all of what is lost, money and minutes
 * @param rejected what was tried and failed, with the first thing that went wrong
 * @param questions to be answered before anything is landed
 * @param noWay calls for which there is no plan at all
 * @param assumed what the request left out and how it was taken
 * @param tried how many circuits were put together
 */
public record WiringAnswer(
        List<WiringPlan> plans,
        List<Rejected> rejected,
        List<Question> questions,
        List<NoWay> noWay,
        List<String> assumed,
        int tried) {

    /** @param call in which it failed, or {@code wiring} where it couldn't be put together */
    public record Rejected(List<Move> moves, String title, String call, String why) {}

    /** @param about the terminal, like {@code TH.B} */
    public record Question(String about, String why, List<String> answers) {}

    /** @param wouldDo what would make a way; null where nothing that is known would */
    public record NoWay(String call, String why, String wouldDo) {}
}
