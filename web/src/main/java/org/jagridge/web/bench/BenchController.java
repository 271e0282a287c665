package org.jagridge.web.bench;

import jakarta.servlet.http.HttpServletResponse;
import java.util.Map;
import java.util.concurrent.CancellationException;
import java.util.function.Function;
import org.jagridge.core.budget.OverBudgetException;
import org.jagridge.core.part.Time;
import org.jagridge.web.settings.Settings;
import org.jagridge.web.svg.LiveState;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import tools.jackson.databind.json.JsonMapper;

/** The bench page and its acts. Every act answers with what changes on the page, and with the new state's address. */
@Controller
class BenchController {
    private static final String PAGE = "bench/bench";
    private static final String CHANGES = "bench/changes";

    /** The header by which the page's script says which tab it is in; only what overtakes older questions carries it. */
    private static final String TAB = "X-Jagridge-Tab";

    private final Tabs tabs = new Tabs();
    private final BenchService service;
    private final BenchOpener opener;
    private final BenchHands hands;
    private final Settings settings;
    private final JsonMapper json;
    private final HandOver handOver;

    BenchController(
            BenchService service,
            BenchOpener opener,
            BenchHands hands,
            Settings settings,
            JsonMapper json,
            HandOver handOver) {
        this.opener = opener;
        this.hands = hands;
        this.handOver = handOver;
        this.service = service;
        this.settings = settings;
        this.json = json;
    }

    @GetMapping("/circuits/{slug}/bench")
    String resume(@PathVariable String slug) {
        return "redirect:" + opener.resume(slug);
    }

    @GetMapping("/bench/{id}")
    String show(
            @PathVariable long id,
            @RequestParam(required = false) Long s,
            @RequestParam(required = false) Double t,
            @RequestHeader(name = "HX-Request", required = false) String partial,
            @RequestHeader(name = "HX-History-Restore-Request", required = false) String restore,
            Model model,
            HttpServletResponse response) {
        BenchState state = service.state(id, s, t == null ? null : Time.micros(t));
        if (partial != null && restore == null) {
            response.setHeader("HX-Replace-Url", state.url());
            return changes(state, model);
        }
        changes(state, model);
        model.addAttribute("place", BenchPlace.of(state, settings.look(), json));
        return PAGE;
    }

    private String changes(BenchState state, Model model) {
        model.addAttribute("elsewhere", handOver.elsewhere(state));
        model.addAttribute("bench", BenchView.of(state, settings.look(), json));
        return CHANGES;
    }

    /** What there is to say of each part, terminal, wire and net, by {@code part:K1} and the like: it comes after the state. */
    @GetMapping("/bench/{id}/facts")
    @ResponseBody
    Map<String, String> facts(@PathVariable long id, @RequestParam long s, @RequestParam double t) {
        BenchState state = service.state(id, s, Time.micros(t));
        return Facts.of(state, new LiveState(state.frame()));
    }

    /** Why each load is on or off, as a list for the page: worked out only for who asks. */
    @GetMapping("/bench/{id}/why")
    String why(@PathVariable long id, @RequestParam long s, @RequestParam double t, Model model) {
        model.addAttribute("why", WhyView.of(service.state(id, s, Time.micros(t))));
        return "bench/why";
    }

    /** What the meter showed before, as a list for the page. */
    @GetMapping("/bench/{id}/past")
    String past(@PathVariable long id, @RequestParam long s, @RequestParam double t, Model model) {
        model.addAttribute("past", PastReading.of(service.state(id, s, Time.micros(t))));
        return "bench/past";
    }

    /** What the meter's reading proves, as plain text: it comes after the number. */
    @GetMapping(path = "/bench/{id}/says", produces = MediaType.TEXT_PLAIN_VALUE + ";charset=UTF-8")
    @ResponseBody
    String says(
            @PathVariable long id,
            @RequestParam long s,
            @RequestParam double t,
            @RequestHeader(name = TAB, defaultValue = "") String tab) {
        return service.measured(id, s, t, tabs.overtaken(tab)).says();
    }

    /** A newer act of the same tab makes the sentence about an older state worthless. */
    @ModelAttribute
    void next(@RequestHeader(name = TAB, defaultValue = "") String tab) {
        tabs.next(tab);
    }

    @ExceptionHandler
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void overtaken(CancellationException e) {}

    @GetMapping("/bench/{id}/walk")
    @ResponseBody
    WalkView walk(@PathVariable long id, @RequestParam long s, @RequestParam double t, @RequestParam String load) {
        boolean across = settings.get(Settings.Choice.SCHOOL).equals("across");
        return service.walk(service.state(id, s, Time.micros(t)), load, across);
    }

    @PostMapping("/bench/{id}/set")
    String set(
            @PathVariable long id,
            @RequestParam long s,
            @RequestParam double t,
            @RequestParam String key,
            @RequestParam String value,
            Model model,
            HttpServletResponse response) {
        return act(id, s, t, state -> hands.set(state, key, value), model, response);
    }

    @PostMapping("/bench/{id}/push")
    String push(
            @PathVariable long id,
            @RequestParam long s,
            @RequestParam double t,
            @RequestParam String key,
            Model model,
            HttpServletResponse response) {
        return act(id, s, t, state -> hands.push(state, key), model, response);
    }

    @PostMapping("/bench/{id}/fault")
    String fault(
            @PathVariable long id,
            @RequestParam long s,
            @RequestParam double t,
            @RequestParam int fault,
            Model model,
            HttpServletResponse response) {
        return act(id, s, t, state -> hands.fault(state, fault), model, response);
    }

    @PostMapping("/bench/{id}/clear")
    String clear(
            @PathVariable long id,
            @RequestParam long s,
            @RequestParam double t,
            @RequestParam long action,
            Model model,
            HttpServletResponse response) {
        return act(id, s, t, state -> hands.clear(state, action), model, response);
    }

    @PostMapping("/bench/{id}/all-back")
    String allBack(
            @PathVariable long id,
            @RequestParam long s,
            @RequestParam double t,
            Model model,
            HttpServletResponse response) {
        return act(id, s, t, hands::clearTemporaries, model, response);
    }

    /** Somebody says that a link or a lifted wire which isn't part of this state was taken out or landed again. */
    @PostMapping("/bench/{id}/taken-out")
    String takenOut(
            @PathVariable long id,
            @RequestParam long s,
            @RequestParam double t,
            @RequestParam long action,
            Model model) {
        BenchState state = service.state(id, s, Time.micros(t));
        handOver.takenOut(state, action);
        return changes(state, model);
    }

    @PostMapping("/bench/{id}/put")
    String put(
            @PathVariable long id,
            @RequestParam long s,
            @RequestParam double t,
            @RequestParam String act,
            @RequestParam String one,
            @RequestParam(defaultValue = "") String other,
            @RequestParam(defaultValue = "") String reason,
            @RequestParam(defaultValue = "") String who,
            @RequestParam(defaultValue = "") String until,
            Model model,
            HttpServletResponse response) {
        return act(
                id,
                s,
                t,
                state -> hands.put(state, act, one.strip(), other.strip(), new Why(reason, who, until)),
                model,
                response);
    }

    @PostMapping("/bench/{id}/meter")
    String meter(
            @PathVariable long id,
            @RequestParam long s,
            @RequestParam double t,
            @RequestParam String mode,
            @RequestParam String plus,
            @RequestParam String minus,
            @RequestParam(defaultValue = "") String wire,
            @RequestParam(defaultValue = "1") double turns,
            @RequestParam(defaultValue = "false") boolean lowImpedance,
            Model model,
            HttpServletResponse response) {
        Leads leads = new Leads(mode, plus, minus, wire, turns, lowImpedance);
        return act(id, s, t, state -> hands.meter(state, leads), model, response);
    }

    @PostMapping("/bench/{id}/undo")
    String undo(
            @PathVariable long id,
            @RequestParam long s,
            @RequestParam double t,
            Model model,
            HttpServletResponse response) {
        return act(id, s, t, hands::undo, model, response);
    }

    private String act(
            long id,
            long s,
            double t,
            Function<BenchState, BenchState> act,
            Model model,
            HttpServletResponse response) {
        BenchState state = act.apply(service.state(id, s, Time.micros(t)));
        try {
            changes(state, model);
        } catch (OverBudgetException e) {
            // it is done; only what there is to see takes long, and its page waits for that
            response.setHeader("HX-Redirect", state.url());
            model.addAttribute("message", "It is done. What there is to see is being worked out.");
            return "notice :: notice";
        }
        response.setHeader("HX-Push-Url", state.url());
        return CHANGES;
    }

    @ExceptionHandler
    @ResponseStatus(HttpStatus.BAD_REQUEST)
    String badAct(BadActException e, Model model) {
        model.addAttribute("message", e.getMessage());
        return "notice :: notice";
    }
}
