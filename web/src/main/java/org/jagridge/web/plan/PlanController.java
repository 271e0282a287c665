package org.jagridge.web.plan;

import java.util.List;
import org.jagridge.core.format.MalformedException;
import org.jagridge.core.plan.WiringAnswer;
import org.jagridge.core.plan.WiringPlan;
import org.jagridge.web.circuits.NotFoundException;
import org.jagridge.web.circuits.SiteRepository;
import org.jagridge.web.edit.EditService;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The wiring planner's page. */
@Controller
class PlanController {
    private final PlanService service;
    private final EditService edits;
    private final SiteRepository sites;

    PlanController(PlanService service, EditService edits, SiteRepository sites) {
        this.service = service;
        this.edits = edits;
        this.sites = sites;
    }

    @GetMapping("/plan")
    String page(@RequestParam MultiValueMap<String, String> parameters, Model model) {
        PlanForm form = PlanForm.of(parameters);
        model.addAttribute("form", form);
        model.addAttribute("choices", Choices.ALL);
        model.addAttribute("sites", sites.all());
        try {
            WiringAnswer answer = service.plan(form);
            model.addAttribute("v", PlanView.of(form, answer));
        } catch (MalformedException e) {
            model.addAttribute("problems", e.problems());
        }
        return "plan/plan";
    }

    /** The chosen plan as a circuit of its own, at its bench. */
    @PostMapping("/plan/open")
    String open(@RequestParam MultiValueMap<String, String> parameters, @RequestParam(required = false) String site) {
        PlanForm form = PlanForm.of(parameters);
        List<WiringPlan> plans = service.plan(form).plans();
        int card = PlanView.card(form, plans);
        if (plans.isEmpty()) {
            throw new NotFoundException("There is no plan to open.");
        }
        String slug = edits.add(
                plans.get(card - 1).circuit(), "planned", sites.orFirst(site).id());
        return "redirect:/circuits/" + slug + "/bench";
    }
}
