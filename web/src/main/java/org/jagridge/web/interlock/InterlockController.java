package org.jagridge.web.interlock;

import java.util.Optional;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.format.MalformedException;
import org.jagridge.core.part.Time;
import org.jagridge.core.plan.InterlockAnswer;
import org.jagridge.core.plan.InterlockRequest;
import org.jagridge.core.plan.InterlockRequestReader;
import org.jagridge.core.prove.Counterexample;
import org.jagridge.web.bench.BenchOpener;
import org.jagridge.web.circuits.CircuitRepository;
import org.jagridge.web.circuits.NotFoundException;
import org.jagridge.web.circuits.SiteRepository;
import org.jagridge.web.edit.EditService;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The interlock planner's page. Its address is what is asked for; the plans come by themselves. */
@Controller
class InterlockController {
    private final InterlockPlans plans;
    private final EditService edits;
    private final SiteRepository sites;
    private final CircuitRepository circuits;
    private final BenchOpener benches;

    InterlockController(
            InterlockPlans plans,
            EditService edits,
            SiteRepository sites,
            CircuitRepository circuits,
            BenchOpener benches) {
        this.plans = plans;
        this.edits = edits;
        this.sites = sites;
        this.circuits = circuits;
        this.benches = benches;
    }

    @GetMapping("/plan/interlock")
    String page(@RequestParam MultiValueMap<String, String> parameters, Model model) {
        InterlockForm form = InterlockForm.of(parameters);
        model.addAttribute("form", form);
        try {
            InterlockRequestReader.read(form.request());
        } catch (MalformedException e) {
            model.addAttribute("problems", e.problems());
        }
        return "interlock/interlock";
    }

    /** The plans, once they have been proved; until then how long it has been. */
    @GetMapping("/plan/interlock/plans")
    String plans(@RequestParam MultiValueMap<String, String> parameters, Model model) {
        InterlockForm form = InterlockForm.of(parameters);
        model.addAttribute("form", form);
        InterlockRequest request = InterlockRequestReader.read(form.request());
        Optional<InterlockAnswer> answer = plans.ask(request);
        if (answer.isEmpty()) {
            model.addAttribute("seconds", plans.seconds(request));
            return "interlock/interlock :: planning";
        }
        model.addAttribute("answer", answer.get());
        model.addAttribute("sites", sites.all());
        return "interlock/interlock :: plans";
    }

    private InterlockAnswer answer(InterlockForm form) {
        return plans.ask(InterlockRequestReader.read(form.request()))
                .orElseThrow(() -> new NotFoundException(
                        "This is still being planned. Wait until the plans are shown, then open one of them."));
    }

    /** A plan as a circuit of its own, at its proof. */
    @PostMapping("/plan/interlock/open")
    String open(
            @RequestParam MultiValueMap<String, String> parameters,
            @RequestParam int rank,
            @RequestParam(required = false) String site) {
        Circuit circuit = answer(InterlockForm.of(parameters)).plans().stream()
                .filter(p -> p.rank() == rank)
                .findFirst()
                .orElseThrow(() -> new NotFoundException("There is no such plan."))
                .circuit();
        return "redirect:/circuits/"
                + edits.add(circuit, "planned", sites.orFirst(site).id()) + "/proof";
    }

    /** A plan that doesn't hold, at a bench on which it was broken. */
    @PostMapping("/plan/interlock/broken")
    String broken(@RequestParam MultiValueMap<String, String> parameters, @RequestParam int which) {
        InterlockAnswer answer = answer(InterlockForm.of(parameters));
        if (which < 0 || which >= answer.rejected().size()) {
            throw new NotFoundException("There is no such plan.");
        }
        InterlockAnswer.Rejected r = answer.rejected().get(which);
        Counterexample how = r.how();
        String slug = edits.add(
                r.circuit(), "planned, doesn't hold", sites.orFirst(null).id());
        return "redirect:"
                + benches.open(
                        circuits.require(slug).revisionId(),
                        how.scenario(r.title()),
                        Time.micros(how.brokenAtSeconds()),
                        r.why());
    }
}
