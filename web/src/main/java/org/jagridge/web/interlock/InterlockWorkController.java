package org.jagridge.web.interlock;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Problem;
import org.jagridge.core.format.MalformedException;
import org.jagridge.core.plan.Consequences;
import org.jagridge.core.plan.InterlockAnswer;
import org.jagridge.core.plan.InterlockRequest;
import org.jagridge.core.plan.InterlockRequestReader;
import org.jagridge.core.plan.InterlockWork;
import org.jagridge.core.plan.PlaceDifferences;
import org.jagridge.core.prove.Acceptance;
import org.jagridge.web.circuits.NotFoundException;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** A plan's work sheet: cut list, labels, loops, acceptance, what it saves, and what differs from the place before. */
@Controller
class InterlockWorkController {
    private static final List<Field> SAVING = List.of(
            Field.number("times", 3.0, "").within(1, 48),
            Field.number("hours", 6.0, "h").within(0.1, 15),
            Field.number("kw", 20.0, "kW").within(0.1, 1000),
            Field.number("price", 0.12, "").within(0, 100),
            Field.number("days", 120.0, "").within(1, 366));

    private final InterlockPlans plans;

    InterlockWorkController(InterlockPlans plans) {
        this.plans = plans;
    }

    /** One heater with what a year of such days is in kWh and money. */
    record Saved(Consequences.Heat heat, double kwh, double money) {}

    @GetMapping("/plan/interlock/work")
    String page(
            @RequestParam MultiValueMap<String, String> parameters,
            @RequestParam(defaultValue = "1") int rank,
            Model model) {
        InterlockForm form = InterlockForm.of(parameters);
        model.addAttribute("form", form);
        model.addAttribute("rank", rank);
        InterlockRequest request = InterlockRequestReader.read(form.request());
        Optional<InterlockRequest> first = form.first().map(f -> InterlockRequestReader.read(f.request()));
        Optional<InterlockAnswer> answer = plans.ask(request);
        Optional<InterlockAnswer> before = first.flatMap(plans::ask);
        model.addAttribute("saving", new Saving(parameters));
        if (answer.isEmpty() || (first.isPresent() && before.isEmpty())) {
            model.addAttribute("seconds", plans.seconds(request));
            return "interlock/work";
        }
        InterlockAnswer.Plan plan = plan(answer.get(), rank);
        model.addAttribute("plan", plan);
        model.addAttribute("work", InterlockWork.of(request, plan));
        model.addAttribute("sheet", Acceptance.of(plan.circuit()));
        before.filter(b -> !b.plans().isEmpty())
                .ifPresent(b -> model.addAttribute(
                        "differences",
                        PlaceDifferences.of(first.get(), b.plans().get(0), request, plan)));
        model.addAttribute("firstPlace", form.first().map(InterlockForm::place).orElse(""));
        try {
            model.addAttribute("saved", saved(request, plan, new Saving(parameters)));
        } catch (MalformedException e) {
            model.addAttribute("problems", e.problems());
        }
        return "interlock/work";
    }

    private static InterlockAnswer.Plan plan(InterlockAnswer answer, int rank) {
        return answer.plans().stream()
                .filter(p -> p.rank() == rank)
                .findFirst()
                .orElseThrow(() -> new NotFoundException("There is no plan " + rank + " for this."));
    }

    private static List<Saved> saved(InterlockRequest request, InterlockAnswer.Plan plan, Saving s) {
        s.requireNumbers();
        double perHour = s.number("kw") * s.number("days");
        return Consequences.of(
                        request, plan, new Consequences.Day((int) Math.round(s.number("times")), s.number("hours")))
                .stream()
                .map(h -> new Saved(h, h.hoursSaved() * perHour, h.hoursSaved() * perHour * s.number("price")))
                .toList();
    }

    /** What a day is like and what heat costs, as it was typed. */
    static final class Saving {
        private final MultiValueMap<String, String> typed;

        Saving(MultiValueMap<String, String> typed) {
            this.typed = typed;
        }

        public String text(String name) {
            String given = typed.getFirst(name);
            if (given != null && !given.isBlank()) {
                return given.strip();
            }
            double usual = (double) field(name).initial();
            return usual == Math.rint(usual) ? Long.toString((long) usual) : Double.toString(usual);
        }

        private static Field field(String name) {
            return SAVING.stream()
                    .filter(f -> f.name().equals(name))
                    .findFirst()
                    .orElseThrow();
        }

        double number(String name) {
            return Double.parseDouble(text(name).replace(',', '.'));
        }

        void requireNumbers() {
            List<Problem> problems = new ArrayList<>();
            for (Field f : SAVING) {
                Object value = text(f.name());
                try {
                    value = number(f.name());
                } catch (NumberFormatException e) {
                    // told below, as it was typed
                }
                String mistake = f.mistakeIn(value);
                if (mistake != null) {
                    problems.add(new Problem(f.name(), mistake));
                }
            }
            if (!problems.isEmpty()) {
                throw new MalformedException(problems);
            }
        }
    }
}
