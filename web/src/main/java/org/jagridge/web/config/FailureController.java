package org.jagridge.web.config;

import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.Map;
import org.springframework.boot.webmvc.error.ErrorController;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.servlet.ModelAndView;

/** What is said where a request didn't get as far as to a page: a form without its token, a failure of our own. */
@Controller
class FailureController implements ErrorController {
    private static final String OURS =
            "Something in Jagridge failed on this. Nothing was stored. Go back and try it another"
                    + " way; what was stored before is there.";
    private static final Map<Integer, String> WORDS = Map.of(
            403, "This form is too old, or it came from another site. Load the page again.",
            404, "There is no page at this address.");

    @RequestMapping("/error")
    Object error(HttpServletRequest request) {
        Object code = request.getAttribute(RequestDispatcher.ERROR_STATUS_CODE);
        int status = code instanceof Integer c ? c : 404;
        String words = status >= 500 ? OURS : WORDS.getOrDefault(status, "This could not be done.");
        if (String.valueOf(request.getHeader("Accept")).contains(MediaType.TEXT_HTML_VALUE)) {
            ModelAndView page = new ModelAndView("error", Map.of("message", words));
            page.setStatus(HttpStatusCode.valueOf(status));
            return page;
        }
        ProblemDetail detail = ProblemDetail.forStatusAndDetail(HttpStatusCode.valueOf(status), words);
        detail.setProperty("problems", List.of(Map.of("path", "", "message", words)));
        return ResponseEntity.status(status)
                .contentType(MediaType.APPLICATION_PROBLEM_JSON)
                .body(detail);
    }
}
