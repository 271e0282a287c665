package org.jagridge.web.settings;

import org.jagridge.web.settings.Settings.Choice;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;

/** The settings page, and the switches of single settings on other pages. */
@Controller
class SettingsController {
    private final Settings settings;

    SettingsController(Settings settings) {
        this.settings = settings;
    }

    @GetMapping("/settings")
    String page(Model model) {
        for (Choice c : Choice.values()) {
            model.addAttribute(c.key(), settings.get(c));
        }
        return "settings/settings";
    }

    /** Chooses, and has the page that asked load again. */
    @PostMapping("/settings/{key}")
    ResponseEntity<Void> set(
            @PathVariable String key,
            @RequestParam String word,
            @RequestParam(defaultValue = "/settings") String back,
            @RequestHeader(name = "HX-Request", required = false) String partial) {
        settings.set(key, word);
        if (partial != null) {
            return ResponseEntity.noContent().header("HX-Refresh", "true").build();
        }
        String local = back.matches("/(?!/)[\\w\\-./?=&%~+:,]*") ? back : "/settings";
        return ResponseEntity.status(303).header(HttpHeaders.LOCATION, local).build();
    }

    @ExceptionHandler
    ResponseEntity<String> wrong(IllegalArgumentException e) {
        return ResponseEntity.badRequest().contentType(MediaType.TEXT_PLAIN).body(e.getMessage());
    }
}
