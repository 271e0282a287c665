package org.jagridge.core.format;

import com.networknt.schema.Error;
import com.networknt.schema.InputFormat;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.jagridge.core.circuit.Problem;
import tools.jackson.databind.JsonNode;

/** The published schema of the circuit file. */
public final class Schema {
    private static final String RESOURCE = "/schema/jagridge-circuit-1.json";

    private static final class Lazy {
        static final com.networknt.schema.Schema COMPILED = SchemaRegistry.withDefaultDialect(
                        SpecificationVersion.DRAFT_2020_12)
                .getSchema(text(), InputFormat.JSON);
    }

    private Schema() {}

    /** The schema as JSON text. */
    public static String text() {
        try (InputStream in = Schema.class.getResourceAsStream(RESOURCE)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Every place where the tree doesn't have the structure of a circuit. */
    static List<Problem> problemsOf(JsonNode tree) {
        return Lazy.COMPILED.validate(tree).stream().map(Schema::problem).toList();
    }

    private static Problem problem(Error error) {
        String path = error.getInstanceLocation().toString();
        String message = error.getMessage();
        int colon = message.indexOf(": ");
        // the library repeats the path in front of its message
        return new Problem(
                pointer(path), colon > 0 && message.startsWith("$") ? message.substring(colon + 2) : message);
    }

    private static String pointer(String path) {
        return path.startsWith("$")
                ? path.substring(1).replace("[", "/").replace("]", "").replace('.', '/')
                : path;
    }
}
