package org.jagridge.web.config;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.Map;
import org.jagridge.core.budget.OverBudgetException;
import org.jagridge.core.circuit.Problem;
import org.jagridge.core.format.MalformedException;
import org.jagridge.core.network.SingularNetworkException;
import org.jagridge.core.run.RunLimitException;
import org.jagridge.web.bench.BadActException;
import org.jagridge.web.circuits.NotFoundException;
import org.jagridge.web.circuits.RemovedException;
import org.jagridge.web.data.Disk;
import org.jagridge.web.edit.EditService;
import org.jagridge.web.waiting.LongWork;
import org.springframework.core.annotation.Order;
import org.springframework.dao.DataAccessException;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.web.HttpMediaTypeNotAcceptableException;
import org.springframework.web.HttpMediaTypeNotSupportedException;
import org.springframework.web.HttpRequestMethodNotSupportedException;
import org.springframework.web.bind.MissingRequestValueException;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.multipart.MultipartException;
import org.springframework.web.multipart.support.MissingServletRequestPartException;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.resource.NoResourceFoundException;
import tools.jackson.core.JacksonException;

/**
 * What is said where something can't be done: a page to who looks at pages, a line to a page's script that asked for a
 * piece of it, and to every other program the problems with their paths (RFC 9457).
 */
@ControllerAdvice
@Order(2)
class Errors {
    private static final int MOST_SHOWN = 200;
    private static final int LONGEST_SHOWN = 80;

    private final LongWork work;

    Errors(LongWork work) {
        this.work = work;
    }

    private static Object answer(
            HttpServletRequest request, HttpStatus status, String message, List<Problem> problems) {
        String accept = String.valueOf(request.getHeader("Accept"));
        if (request.getHeader("HX-Request") != null) {
            return view("notice :: notice", status, Map.of("message", message));
        }
        if (accept.contains(MediaType.TEXT_HTML_VALUE)
                && !request.getRequestURI().startsWith("/api/")) {
            return view("error", status, Map.of("message", message, "problems", problems));
        }
        ProblemDetail detail = ProblemDetail.forStatusAndDetail(status, message);
        detail.setProperty(
                "problems",
                (problems.isEmpty() ? List.of(new Problem("", message)) : problems)
                        .stream()
                                .limit(MOST_SHOWN)
                                .map(p -> Map.of("path", p.path(), "message", p.message()))
                                .toList());
        return ResponseEntity.status(status)
                .contentType(MediaType.APPLICATION_PROBLEM_JSON)
                .body(detail);
    }

    private static ModelAndView view(String name, HttpStatus status, Map<String, ?> model) {
        ModelAndView view = new ModelAndView(name, model);
        view.setStatus(status);
        return view;
    }

    private static Object answer(HttpServletRequest request, HttpStatus status, String message) {
        return answer(request, status, message, List.of());
    }

    @ExceptionHandler
    Object notFound(NotFoundException e, HttpServletRequest request) {
        return answer(request, HttpStatus.NOT_FOUND, e.getMessage());
    }

    @ExceptionHandler
    Object removed(RemovedException e, HttpServletRequest request) {
        Object answer = answer(request, HttpStatus.GONE, e.getMessage());
        if (answer instanceof ModelAndView page) {
            page.addObject("removed", e.slug());
        }
        return answer;
    }

    @ExceptionHandler
    Object noSuchPage(NoResourceFoundException e, HttpServletRequest request) {
        return answer(request, HttpStatus.NOT_FOUND, "There is no page at this address.");
    }

    @ExceptionHandler
    Object malformed(MalformedException e, HttpServletRequest request) {
        return answer(request, HttpStatus.BAD_REQUEST, e.problems().get(0).message(), e.problems());
    }

    @ExceptionHandler
    Object badAct(BadActException e, HttpServletRequest request) {
        return answer(request, HttpStatus.BAD_REQUEST, e.getMessage());
    }

    @ExceptionHandler
    Object wrongValue(MethodArgumentTypeMismatchException e, HttpServletRequest request) {
        String message = e.getValue() instanceof CharSequence text
                ? "\"" + shortened(text.toString()) + "\" is no " + e.getName() + " this page knows."
                : "The request has " + e.getName() + " more than once, or in a form that can't be read.";
        return answer(request, HttpStatus.BAD_REQUEST, message);
    }

    private static String shortened(String text) {
        return text.length() <= LONGEST_SHOWN ? text : text.substring(0, LONGEST_SHOWN - 1) + "…";
    }

    @ExceptionHandler
    Object missing(MissingRequestValueException e, HttpServletRequest request) {
        return answer(
                request,
                HttpStatus.BAD_REQUEST,
                "The request lacks something: " + e.getBody().getDetail());
    }

    @ExceptionHandler
    Object missingPart(MissingServletRequestPartException e, HttpServletRequest request) {
        return answer(
                request, HttpStatus.BAD_REQUEST, "The request lacks its " + e.getRequestPartName() + "; choose one.");
    }

    /** @param e a body that is no JSON, or not of the kind that is expected */
    @ExceptionHandler
    Object unreadable(HttpMessageNotReadableException e, HttpServletRequest request) {
        return answer(request, HttpStatus.BAD_REQUEST, "What was sent is no JSON of the kind that is expected here.");
    }

    @ExceptionHandler
    Object wrongKind(JacksonException e, HttpServletRequest request) {
        return answer(request, HttpStatus.BAD_REQUEST, "A value is of another kind than is expected here.");
    }

    @ExceptionHandler({MultipartException.class})
    Object noUpload(MultipartException e, HttpServletRequest request) {
        return answer(request, HttpStatus.BAD_REQUEST, "The upload didn't come whole; choose the file again.");
    }

    @ExceptionHandler
    Object tooLarge(MaxUploadSizeExceededException e, HttpServletRequest request) {
        return answer(
                request,
                HttpStatus.CONTENT_TOO_LARGE,
                "A photo may have 25 MB at the most, any other file 5 MB. Nothing was stored.");
    }

    @ExceptionHandler
    Object tooLong(DataIntegrityViolationException e, HttpServletRequest request) {
        return answer(
                request,
                HttpStatus.BAD_REQUEST,
                "Something in this is longer than can be stored, or has been changed at the same time. Nothing was"
                        + " stored.");
    }

    @ExceptionHandler
    Object method(HttpRequestMethodNotSupportedException e, HttpServletRequest request) {
        return answer(request, HttpStatus.METHOD_NOT_ALLOWED, "This address doesn't take " + e.getMethod() + ".");
    }

    @ExceptionHandler
    Object mediaType(HttpMediaTypeNotSupportedException e, HttpServletRequest request) {
        return answer(request, HttpStatus.UNSUPPORTED_MEDIA_TYPE, "Send this as application/json.");
    }

    @ExceptionHandler
    ResponseEntity<Void> notAcceptable(HttpMediaTypeNotAcceptableException e) {
        return ResponseEntity.status(HttpStatus.NOT_ACCEPTABLE).build();
    }

    @ExceptionHandler
    Object stale(EditService.StaleException e, HttpServletRequest request) {
        List<Problem> since =
                e.since().stream().map(l -> new Problem("", l.words())).toList();
        return answer(
                request,
                HttpStatus.CONFLICT,
                "The circuit has been changed since this page was shown, so nothing was done. Look at what was changed,"
                        + " go back, load the page again and do it again.",
                since);
    }

    @ExceptionHandler
    Object overLimits(RunLimitException e, HttpServletRequest request) {
        String parts = e.parts().isEmpty() ? "" : " Still moving: " + String.join(", ", e.parts()) + ".";
        return answer(
                request, HttpStatus.UNPROCESSABLE_CONTENT, "This can't be worked out: " + e.getMessage() + "." + parts);
    }

    @ExceptionHandler
    Object singular(SingularNetworkException e, HttpServletRequest request) {
        return answer(
                request,
                HttpStatus.UNPROCESSABLE_CONTENT,
                "The circuit can't be solved: it has a loop of sources without any resistance.");
    }

    @ExceptionHandler
    Object noRoom(Disk.FullException e, HttpServletRequest request) {
        return answer(request, HttpStatus.INSUFFICIENT_STORAGE, e.getMessage());
    }

    /** A disk that filled up in the middle of a write. */
    @ExceptionHandler
    Object failedWrite(DataAccessException e, HttpServletRequest request) {
        if (!Disk.isFull(e)) {
            throw e;
        }
        return answer(
                request,
                HttpStatus.INSUFFICIENT_STORAGE,
                "The disk filled up while this was stored, so it was not stored. Make room on the disk with the data folder"
                        + " and do it again.");
    }

    /** A page that takes long is worked out beside; anything else isn't done. */
    @ExceptionHandler
    Object overBudget(OverBudgetException e, HttpServletRequest request) {
        boolean working = work.isWorking(request);
        if (LongWork.isWaitedFor(request) && !working) {
            var job = work.begin(request);
            if (job.isPresent()) {
                return view("waiting/waiting", HttpStatus.ACCEPTED, Map.of("job", job.get()));
            }
        }
        String time =
                working ? "two minutes" : "the " + (long) Math.ceil(e.seconds()) + " seconds that there are for it";
        return answer(
                request,
                HttpStatus.UNPROCESSABLE_CONTENT,
                "This would take longer than " + time
                        + ", so it was given up; nothing was changed. Ask for less of it: a"
                        + " shorter time, fewer parts, one drawing instead of all."
                        + (e.meanwhile().isEmpty() ? "" : " Then " + e.meanwhile() + "."));
    }
}
