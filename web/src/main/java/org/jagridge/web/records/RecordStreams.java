package org.jagridge.web.records;

import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArrayList;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** Tells open pages what happens to their records. */
@Component
class RecordStreams {
    private static final long STREAM_MILLIS = 30 * 60_000L;

    private final Map<UUID, List<SseEmitter>> streams = new ConcurrentHashMap<>();

    /** A stream for an open page, which then asks for what it missed. */
    SseEmitter listen(UUID record) throws IOException {
        SseEmitter stream = new SseEmitter(STREAM_MILLIS);
        List<SseEmitter> all = streams.computeIfAbsent(record, r -> new CopyOnWriteArrayList<>());
        all.add(stream);
        stream.onCompletion(() -> all.remove(stream));
        stream.onTimeout(stream::complete);
        stream.onError(e -> all.remove(stream));
        // without a first word the page would learn only with the first news that the stream is open
        stream.send(SseEmitter.event().comment("listening"));
        return stream;
    }

    /** Open streams would hold the server up when it stops; the pages ask again when it is back. */
    @EventListener(ContextClosedEvent.class)
    void close() {
        streams.values().forEach(all -> all.forEach(SseEmitter::complete));
    }

    /** Tells every open page of any record. */
    void tellAll(String what, Object data) {
        streams.keySet().forEach(record -> tell(record, what, data));
    }

    @SuppressWarnings("ModifyCollectionInEnhancedForLoop") // the lists are made for that: copy on write
    void tell(UUID record, String what, Object data) {
        List<SseEmitter> all = streams.getOrDefault(record, List.of());
        for (SseEmitter s : all) {
            try {
                s.send(SseEmitter.event().name(what).data(data));
            } catch (IOException | IllegalStateException e) {
                // the page is gone; it asks again when it comes back
                all.remove(s);
            }
        }
    }
}
