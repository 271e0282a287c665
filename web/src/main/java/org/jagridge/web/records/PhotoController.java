package org.jagridge.web.records;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.web.circuits.CircuitRepository;
import org.jagridge.web.circuits.CircuitRepository.Row;
import org.jagridge.web.circuits.CircuitStore;
import org.jagridge.web.circuits.CircuitStore.Drawn;
import org.jagridge.web.circuits.NotFoundException;
import org.jagridge.web.circuits.Texts;
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

    @PostMapping("/circuits/{slug}/photos")
    ModelAndView add(
            @PathVariable String slug,
            @RequestParam MultipartFile file,
            @RequestParam(defaultValue = "") String name,
            Model model)
            throws IOException {
        Row row = circuits.require(slug);
        try {
            PhotoFile photo = PhotoFile.of(file.getBytes());
            photos.add(
                    row.id(),
                    name.isBlank() ? "Photo" : Texts.within(name, 120, "The photo's name"),
                    photo.mediaType(),
                    photo.bytes());
        } catch (PhotoFile.NoPhotoException e) {
            fill(row, model);
            model.addAttribute("problem", e.getMessage());
            return new ModelAndView(PAGE, model.asMap(), HttpStatus.BAD_REQUEST);
        }
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

    private static ResponseEntity<String> refused(String words) {
        return ResponseEntity.badRequest()
                .contentType(new MediaType(MediaType.TEXT_PLAIN, StandardCharsets.UTF_8))
                .body(words);
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
            return refused("The circuit has no terminal \"" + terminal + "\".");
        }
        if (!(x >= 0 && x <= 1 && y >= 0 && y <= 1)) {
            return refused("A pin lies on the photo: x and y from 0 to 1.");
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
