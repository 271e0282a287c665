package org.jagridge.web.home;

import org.jagridge.web.circuits.CircuitRepository;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;

/** The home page: which circuits there are. */
@Controller
class HomeController {
    private final CircuitRepository circuits;

    HomeController(CircuitRepository circuits) {
        this.circuits = circuits;
    }

    @GetMapping("/")
    String home(Model model) {
        model.addAttribute("circuits", circuits.all());
        return "home/home";
    }
}
