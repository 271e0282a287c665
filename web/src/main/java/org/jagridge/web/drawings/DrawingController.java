package org.jagridge.web.drawings;

import java.nio.charset.StandardCharsets;
import org.jagridge.web.circuits.CircuitStore;
import org.jagridge.web.circuits.CircuitStore.Drawn;
import org.jagridge.web.settings.Settings;
import org.jagridge.web.svg.ConnectionSvg;
import org.jagridge.web.svg.LadderSvg;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

/**
 * The two drawings of a circuit at rest, each by itself: a page shows what it has and lets them follow, and what is live
 * comes over them as marks.
 */
@Controller
class DrawingController {
    private final CircuitStore store;
    private final Settings settings;

    DrawingController(CircuitStore store, Settings settings) {
        this.store = store;
        this.settings = settings;
    }

    @GetMapping("/drawings/{revision}/ladder")
    ResponseEntity<String> ladder(@PathVariable long revision) {
        Drawn drawn = store.revision(revision);
        return svg(LadderSvg.write(
                drawn.ladder(), null, settings.look(), drawn.circuit().name(), null));
    }

    @GetMapping("/drawings/{revision}/connections")
    ResponseEntity<String> connections(@PathVariable long revision) {
        Drawn drawn = store.revision(revision);
        return svg(ConnectionSvg.write(drawn.connection(), drawn.assembly(), null, null));
    }

    private static ResponseEntity<String> svg(String body) {
        return ResponseEntity.ok()
                .contentType(new MediaType("image", "svg+xml", StandardCharsets.UTF_8))
                .body(body);
    }
}
