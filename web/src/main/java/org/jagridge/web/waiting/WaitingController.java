package org.jagridge.web.waiting;

import jakarta.servlet.http.HttpServletResponse;
import org.jagridge.web.circuits.NotFoundException;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;

/** What is shown while a page is worked out. */
@Controller
class WaitingController {
    private final LongWork work;

    WaitingController(LongWork work) {
        this.work = work;
    }

    @GetMapping("/work/{ticket}")
    String page(@PathVariable String ticket, Model model, HttpServletResponse response) {
        model.addAttribute("job", require(ticket));
        response.setStatus(HttpServletResponse.SC_ACCEPTED);
        return "waiting/waiting";
    }

    private LongWork.Job require(String ticket) {
        return work.job(ticket)
                .orElseThrow(() -> new NotFoundException("That isn't worked out any more; ask for the page again."));
    }

    /**
     * How far it is; once it is through, the page that waits loads itself again and gets what came of it. What came as a
     * file leaves that page where it is: it isn't asked for twice.
     */
    @GetMapping("/work/{ticket}/state")
    String state(@PathVariable String ticket, Model model, HttpServletResponse response) {
        LongWork.Job job = work.job(ticket).orElse(null);
        if (job != null && job.isDone()) {
            response.setHeader("HX-Refresh", "true");
        }
        model.addAttribute("job", job);
        return "waiting/waiting :: state";
    }

    @PostMapping("/work/{ticket}/stop")
    String stop(@PathVariable String ticket, Model model) {
        LongWork.Job job = require(ticket);
        work.stop(job);
        work.drop(job);
        model.addAttribute("path", job.path());
        return "waiting/stopped";
    }
}
