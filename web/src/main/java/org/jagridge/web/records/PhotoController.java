package org.jagridge.web.records;

import java.io.IOException;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.web.circuits.CircuitRepository;
import org.jagridge.web.circuits.CircuitRepository.Row;
import org.jagridge.web.circuits.CircuitStore;
import org.jagridge.web.circuits.CircuitStore.Drawn;
import org.jagridge.web.circuits.NotFoundException;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.ModelAndView;

/** Photos of a circuit's panels and papers, with its terminals pinned on them. */
@Controller
class PhotoController {
    private static final String PAGE = "records/photos";

    private final CircuitRepository circuits;
    private final CircuitStore store;
    private final PhotoRepository photos;

    PhotoController(CircuitRepository circuits, CircuitStore store, PhotoRepository photos) {
        this.circuits = circuits;
        this.store = store;
        this.photos = photos;
    }

    @GetMapping("/circuits/{slug}/photos")
    String page(@PathVariable String slug, Model model) {
        fill(circuits.require(slug), model);
        return PAGE;
    }

    private void fill(Row row, Model model) {
        model.addAttribute("circuit", row);
        model.addAttribute("photos", photos.ofCircuit(row.id()));
        model.addAttribute("pins", photos.pins(row.id()));
        model.addAttribute(
                "terminals",
                store.revision(row.revisionId()).assembly().nodes().keySet().stream()
                        .map(Object::toString)
                        .toList());
    }

    /** What a photo's first bytes say it is; a name or a header can say anything. */
    private static Optional<String> mediaType(byte[] b) {
        if (b.length > 8 && (b[0] & 0xff) == 0x89 && b[1] == 'P' && b[2] == 'N' && b[3] == 'G') {
            return Optional.of("image/png");
        }
        if (b.length > 3 && (b[0] & 0xff) == 0xff && (b[1] & 0xff) == 0xd8 && (b[2] & 0xff) == 0xff) {
            return Optional.of("image/jpeg");
        }
        boolean webp = b.length > 12 && b[0] == 'R' && b[1] == 'I' && b[2] == 'F' && b[8] == 'W' && b[9] == 'E';
        return webp ? Optional.of("image/webp") : Optional.empty();
    }

    @PostMapping("/circuits/{slug}/photos")
    ModelAndView add(
            @PathVariable String slug,
            @RequestParam MultipartFile file,
            @RequestParam(defaultValue = "") String name,
            Model model)
            throws IOException {
        Row row = circuits.require(slug);
        byte[] bytes = file.getBytes();
        Optional<String> type = mediaType(bytes);
        if (type.isEmpty()) {
            fill(row, model);
            model.addAttribute("problem", "That file is no photo that a browser shows: use JPEG, PNG or WebP.");
            return new ModelAndView(PAGE, model.asMap(), HttpStatus.BAD_REQUEST);
        }
        photos.add(row.id(), name.isBlank() ? "Photo" : Texts.cut(name, 120), type.get(), bytes);
        return new ModelAndView("redirect:/circuits/" + slug + "/photos");
    }

    @GetMapping("/photos/{id}")
    ResponseEntity<byte[]> image(@PathVariable long id) {
        PhotoRepository.Image image =
                photos.image(id).orElseThrow(() -> new NotFoundException("There is no photo " + id + "."));
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType(image.mediaType()))
                .header("Content-Security-Policy", "default-src 'none'")
                .cacheControl(CacheControl.maxAge(Duration.ofDays(365)).immutable())
                .body(image.bytes());
    }

    private PhotoRepository.Photo photo(long id) {
        return photos.find(id).orElseThrow(() -> new NotFoundException("There is no photo " + id + "."));
    }

    @PostMapping("/photos/{id}/pins")
    ResponseEntity<String> pin(
            @PathVariable long id, @RequestParam String terminal, @RequestParam double x, @RequestParam double y) {
        Row row = circuits.require(photo(id).slug());
        Drawn drawn = store.revision(row.revisionId());
        Optional<Terminal> there = Optional.of(terminal)
                .filter(Terminal::isWellFormed)
                .map(text -> drawn.circuit()
                        .named(text, t -> drawn.assembly().node(t).isPresent()))
                .filter(t -> drawn.assembly().node(t).isPresent());
        if (there.isEmpty()) {
            return ResponseEntity.badRequest().body("The circuit has no terminal \"" + terminal + "\".");
        }
        if (!(x >= 0 && x <= 1 && y >= 0 && y <= 1)) {
            return ResponseEntity.badRequest().body("A pin lies on the photo: x and y from 0 to 1.");
        }
        photos.pin(new PhotoRepository.Pin(id, there.get().toString(), x, y));
        return ResponseEntity.noContent().build();
    }

    @PostMapping("/photos/{id}/unpin")
    ResponseEntity<String> unpin(@PathVariable long id, @RequestParam String terminal) {
        photo(id);
        photos.unpin(id, terminal);
        return ResponseEntity.noContent().build();
    }

    @PostMapping("/photos/{id}/remove")
    String remove(@PathVariable long id) {
        PhotoRepository.Photo p = photo(id);
        photos.remove(id);
        return "redirect:/circuits/" + p.slug() + "/photos";
    }

    /** The pins of a circuit, for the sheets that show the leads on a photo. */
    @GetMapping("/circuits/{slug}/pins")
    @ResponseBody
    List<PhotoRepository.Pin> pins(@PathVariable String slug) {
        return photos.pins(circuits.require(slug).id());
    }
}
