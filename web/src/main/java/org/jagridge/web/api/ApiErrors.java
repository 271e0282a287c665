package org.jagridge.web.api;

import java.util.List;
import java.util.Map;
import org.jagridge.core.budget.OverBudgetException;
import org.jagridge.core.circuit.Problem;
import org.jagridge.core.format.MalformedException;
import org.jagridge.core.network.SingularNetworkException;
import org.jagridge.core.run.RunLimitException;
import org.jagridge.web.circuits.NotFoundException;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;

/** Errors of the JSON interface as RFC 9457 problem details with all problems and their paths. */
@RestControllerAdvice(assignableTypes = ApiController.class)
@Order(1)
class ApiErrors {
    private static final int MOST_SHOWN = 200;

    @ExceptionHandler
    ProblemDetail malformed(MalformedException e) {
        return detail(HttpStatus.BAD_REQUEST, e.problems().size() + " mistakes in what was sent", e.problems());
    }

    @ExceptionHandler
    ProblemDetail notFound(NotFoundException e) {
        return detail(HttpStatus.NOT_FOUND, e.getMessage(), List.of(new Problem("/circuitId", e.getMessage())));
    }

    @ExceptionHandler
    ProblemDetail overLimits(RunLimitException e) {
        String parts = "still moving: " + String.join(", ", e.parts());
        return detail(
                HttpStatus.UNPROCESSABLE_CONTENT,
                "The run went over its limits: " + e.getMessage(),
                List.of(new Problem("/scenario", parts)));
    }

    @ExceptionHandler
    ProblemDetail overBudget(OverBudgetException e) {
        String words =
                "This would take longer than there is time for, so it was given up. Ask for less of it: a shorter time,"
                        + " fewer parts, one drawing.";
        return detail(
                HttpStatus.UNPROCESSABLE_CONTENT,
                "This went over its limits: " + e.getMessage(),
                List.of(new Problem("/scenario", e.meanwhile().isEmpty() ? words : words + " Then " + e.meanwhile())));
    }

    @ExceptionHandler
    ProblemDetail singular(SingularNetworkException e) {
        return detail(
                HttpStatus.UNPROCESSABLE_CONTENT,
                "The circuit can't be solved: it has a loop of sources without any resistance",
                List.of(new Problem("/circuit", e.getMessage())));
    }

    private static ProblemDetail detail(HttpStatus status, String title, List<Problem> problems) {
        ProblemDetail detail = ProblemDetail.forStatus(status);
        detail.setTitle(title);
        if (!problems.isEmpty()) {
            detail.setDetail(problems.get(0).message());
        }
        detail.setProperty(
                "problems",
                problems.stream()
                        .limit(MOST_SHOWN)
                        .map(p -> Map.of("path", p.path(), "message", p.message()))
                        .toList());
        return detail;
    }
}
