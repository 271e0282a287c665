package org.jagridge.core.drawing;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.jagridge.core.circuit.Cable;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Place;
import org.jagridge.core.drawing.Placement.Block;
import org.jagridge.core.drawing.Placement.Frame;
import org.jagridge.core.drawing.Placement.Item;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.PartTypes;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Trait;

/**
 * Places the boxes of a connection diagram in rows, as devices are mounted: in each place the supply with its transformer
 * and fuses on top, under it bands of controls, relays and boards, loads, each in the order of their ids, and the strips
 * and joints last. Bands and places wrap at about the proportions of a pane. No wire has a say in it.
 */
final class RowPlacement {
    /** What a drawing's width is to its height in a pane. */
    private static final double PANE = 1.7;
    /** Posts that a track between two rows is kept for. */
    private static final int POSTS_A_TRACK = 5;

    /** Posts in a place that a lane around its boxes is kept for. */
    private static final int POSTS_A_LANE = 7;

    private static final int ROW_GAP = 6;
    /** How finely it is tried how wide places beside each other may be. */
    private static final double PART_OF_A_SHELF = 0.25;

    private static final int BOX_GAP = 4;
    private static final int FRAME_GAP = 5;
    /** Steps between two frames at the most. */
    private static final int MOST_ROOM = 16;

    private static final Pattern NUMBER = Pattern.compile("\\d+");

    /** Which row of a band a part stands in. */
    private enum Rank {
        SUPPLY,
        CONTROL,
        RELAY,
        LOAD,
        JOINT
    }

    private final Circuit circuit;
    private final Assembly assembly;
    private final Map<String, Item> items;

    private RowPlacement(Assembly assembly) {
        this.assembly = assembly;
        circuit = assembly.circuit();
        items = Placement.items(circuit);
    }

    static Placement of(Assembly assembly) {
        RowPlacement rows = new RowPlacement(assembly);
        return rows.placed(rows::rows);
    }

    /** The same rows after boxes have been moved in them: places no larger than they have to be. */
    static Placement drawnIn(Assembly assembly, Placement moved) {
        RowPlacement rows = new RowPlacement(assembly);
        return rows.placed(place -> rows.rowsAsMoved(place, moved));
    }

    private Rows rowsAsMoved(Place place, Placement moved) {
        Map<Integer, List<Block>> byHeight = moved.blocks().values().stream()
                .filter(b -> b.place().equals(place.id()))
                .sorted(Comparator.comparingInt(Block::x))
                .collect(Collectors.groupingBy(Block::y, TreeMap::new, Collectors.toList()));
        int left =
                byHeight.values().stream().mapToInt(row -> row.get(0).x()).min().orElse(0);
        return sized(byHeight.values().stream()
                .map(row -> new Row(
                        row.stream().map(b -> items.get(b.id())).toList(),
                        row.stream().map(b -> b.x() - left).toList()))
                .toList());
    }

    /** The ids of what stands in the rows of supplies. */
    static Set<String> supplies(Assembly assembly) {
        RowPlacement rows = new RowPlacement(assembly);
        return rows.items.values().stream()
                .filter(i -> rows.rank(i) == Rank.SUPPLY)
                .map(Item::id)
                .collect(Collectors.toSet());
    }

    // ---- ranks and order

    private Rank rank(Item item) {
        Part part = circuit.part(item.id()).orElse(null);
        if (part == null || item.marked()) {
            return Rank.JOINT;
        }
        List<Branch> branches = assembly.branchesOf(part.id()).stream()
                .filter(b -> b.role() != Role.EARTHING && b.role() != Role.CONDUCTOR)
                .toList();
        boolean gives = has(branches, Role.SOURCE) || has(branches, Role.SECONDARY);
        boolean contacts = has(branches, Role.CONTACT);
        boolean loads = has(branches, Role.LOAD) || has(branches, Role.COIL);
        var type = PartTypes.catalogue().require(part);
        boolean isolates = type.isolation(
                        assembly.member(part.id()).orElseThrow().params())
                .isPresent();
        if ((gives && !contacts && !loads) || isolates || PartTypes.is(part, Trait.MAINS)) {
            return Rank.SUPPLY;
        }
        if (branches.isEmpty()) {
            return part.fitted() ? Rank.JOINT : Rank.LOAD;
        }
        if (has(branches, Role.PROTECTION) && !contacts && !loads) {
            return Rank.SUPPLY;
        }
        return has(branches, Role.COIL) || (contacts && loads) ? Rank.RELAY : contacts ? Rank.CONTROL : Rank.LOAD;
    }

    private static boolean has(List<Branch> branches, Role role) {
        return branches.stream().anyMatch(b -> b.role() == role);
    }

    /** The first number in an id; none comes first. */
    private static int number(Item item) {
        Matcher m = NUMBER.matcher(item.id());
        return m.find() && m.end() - m.start() < 9 ? Integer.parseInt(m.group()) : -1;
    }

    // ---- rows

    /** Rows of a place, and the size that they take. */
    private record Rows(List<Row> rows, int width, int height) {}

    /** In the order of their numbers, then as they were declared; those of one type in the order of their ids. */
    private Map<Rank, List<Item>> byRank(Place place) {
        List<Item> inside = items.values().stream()
                .filter(i -> i.place().equals(place.id()))
                .sorted(Comparator.comparingInt(RowPlacement::number))
                .toList();
        Map<String, Deque<Item>> ofType = new HashMap<>();
        inside.stream()
                .sorted(Comparator.comparingInt(RowPlacement::number).thenComparing(RowPlacement::natural))
                .forEach(i -> ofType.computeIfAbsent(typeOf(i), t -> new ArrayDeque<>())
                        .add(i));
        Map<Rank, List<Item>> ranks = new TreeMap<>();
        for (Item i : inside) {
            Item next = ofType.get(typeOf(i)).removeFirst();
            ranks.computeIfAbsent(rank(next), r -> new ArrayList<>()).add(next);
        }
        ranks.getOrDefault(Rank.SUPPLY, new ArrayList<>()).sort(Comparator.comparingInt(this::fromTheMains));
        return ranks;
    }

    private String typeOf(Item item) {
        return circuit.part(item.id()).map(Part::type).orElse("");
    }

    /** The mains, then what isolates and protects, then transformers. */
    private int fromTheMains(Item item) {
        List<Branch> branches = assembly.branchesOf(item.id());
        boolean transforms = has(branches, Role.PRIMARY);
        return has(branches, Role.SOURCE) && !transforms ? 0 : transforms ? 2 : 1;
    }

    private static String natural(Item item) {
        Matcher m = NUMBER.matcher(item.id());
        return m.replaceAll(r -> String.format("%12s", r.group()));
    }

    /** The rows of a place at the width that is nearest to the pane's proportions. */
    private Rows rows(Place place) {
        Map<Rank, List<Item>> ranks = byRank(place);
        int widest = ranks.values().stream().mapToInt(RowPlacement::width).max().orElse(1);
        Rows best = null;
        for (int bands = 1; bands <= 12; bands++) {
            Rows rows = wrapped(ranks, Math.max(20, (widest + bands - 1) / bands));
            if (best == null || misfit(rows.width(), rows.height()) < misfit(best.width(), best.height())) {
                best = rows;
            }
        }
        return best;
    }

    /** How far an arrangement is from the proportions of a pane; 0 for not at all. */
    static double misfit(Placement p) {
        int width = p.frames().values().stream()
                .mapToInt(f -> f.x() + f.width())
                .max()
                .orElse(1);
        int height = p.frames().values().stream()
                .mapToInt(f -> f.y() + f.height())
                .max()
                .orElse(1);
        return misfit(width, height);
    }

    private static double misfit(int width, int height) {
        return Math.abs(Math.log(width / (PANE * height)));
    }

    private static int width(List<Item> row) {
        return row.stream().mapToInt(i -> i.width() + BOX_GAP).sum();
    }

    /** A row with where in it each box stands. */
    private record Row(List<Item> items, List<Integer> at) {
        int width() {
            return items.isEmpty()
                    ? 0
                    : at.get(at.size() - 1) + items.get(items.size() - 1).width() + BOX_GAP;
        }
    }

    private Rows wrapped(Map<Rank, List<Item>> ranks, int wide) {
        List<Row> rows = new ArrayList<>(broken(ranks.getOrDefault(Rank.SUPPLY, List.of()), wide));
        Map<Integer, Map<Rank, List<Item>>> byNumber = new TreeMap<>();
        for (Rank rank : List.of(Rank.CONTROL, Rank.RELAY, Rank.LOAD)) {
            for (Item item : ranks.getOrDefault(rank, List.of())) {
                byNumber.computeIfAbsent(number(item), n -> new TreeMap<>())
                        .computeIfAbsent(rank, r -> new ArrayList<>())
                        .add(item);
            }
        }
        List<Map<Rank, List<Item>>> band = new ArrayList<>();
        int taken = 0;
        for (Map<Rank, List<Item>> next : byNumber.values()) {
            int width =
                    next.values().stream().mapToInt(RowPlacement::width).max().orElse(0);
            if (!band.isEmpty() && taken + width > wide) {
                rows.addAll(rowsOf(band, wide));
                band.clear();
                taken = 0;
            }
            band.add(next);
            taken += width;
        }
        rows.addAll(rowsOf(band, wide));
        rows.addAll(broken(ranks.getOrDefault(Rank.JOINT, List.of()), wide));
        return sized(rows);
    }

    private static Rows sized(List<Row> rows) {
        int width = rows.stream().mapToInt(Row::width).max().orElse(1) + 2 * Placement.PADDING;
        int height = Placement.TITLE + 2 * Placement.PADDING;
        for (int i = 0; i < rows.size(); i++) {
            height += Placement.PART_HEIGHT
                    + (i == 0 ? 0 : gap(rows.get(i - 1).items(), rows.get(i).items()));
        }
        return new Rows(rows, width, height);
    }

    /** A row for each rank; what has the same number stands in one column. */
    private static List<Row> rowsOf(List<Map<Rank, List<Item>>> columns, int wide) {
        List<Row> rows = new ArrayList<>();
        for (Rank rank : List.of(Rank.CONTROL, Rank.RELAY, Rank.LOAD)) {
            Row row = new Row(new ArrayList<>(), new ArrayList<>());
            int left = 0;
            for (Map<Rank, List<Item>> column : columns) {
                int x = left;
                for (Item item : column.getOrDefault(rank, List.of())) {
                    row.items().add(item);
                    row.at().add(x);
                    x += item.width() + BOX_GAP;
                }
                left += column.values().stream()
                        .mapToInt(RowPlacement::width)
                        .max()
                        .orElse(0);
            }
            if (!row.items().isEmpty()) {
                rows.addAll(row.width() > wide ? broken(row.items(), wide) : List.of(row));
            }
        }
        return rows;
    }

    private static List<Row> broken(List<Item> items, int wide) {
        List<Row> rows = new ArrayList<>();
        Row row = new Row(new ArrayList<>(), new ArrayList<>());
        for (Item item : items) {
            if (!row.items().isEmpty() && row.width() + item.width() > wide) {
                rows.add(row);
                row = new Row(new ArrayList<>(), new ArrayList<>());
            }
            int x = row.width();
            row.items().add(item);
            row.at().add(x);
        }
        if (!row.items().isEmpty()) {
            rows.add(row);
        }
        return rows;
    }

    /** Tracks between two rows: the more posts face each other, the more. */
    private static int gap(List<Item> upper, List<Item> lower) {
        int posts = upper.stream().mapToInt(i -> i.below().size()).sum()
                + lower.stream().mapToInt(i -> i.above().size()).sum();
        return ROW_GAP + posts / POSTS_A_TRACK;
    }

    // ---- places

    private Placement placed(Function<Place, Rows> rowsOf) {
        Map<String, Rows> rows = new LinkedHashMap<>();
        circuit.places().forEach(p -> rows.put(p.id(), rowsOf.apply(p)));
        int thickest = circuit.cables().stream()
                .filter(c -> !c.from().equals(c.to()))
                .mapToInt(this::cores)
                .max()
                .orElse(0);
        int widest = circuit.places().stream()
                .mapToInt(p -> rows.get(p.id()).width() + 2 * room(p))
                .max()
                .orElse(1);
        int all = circuit.places().stream()
                .mapToInt(p -> rows.get(p.id()).width() + 2 * room(p) + FRAME_GAP)
                .sum();
        List<Frame> best = List.of();
        double least = Double.MAX_VALUE;
        for (double shelves = 1; shelves <= Math.max(1, rows.size()); shelves += PART_OF_A_SHELF) {
            List<Frame> frames = shelves(rows, Math.max(widest, (int) Math.ceil(all / shelves)), thickest);
            int w = frames.stream().mapToInt(f -> f.x() + f.width()).max().orElse(1);
            int h = frames.stream().mapToInt(f -> f.y() + f.height()).max().orElse(1);
            if (misfit(w, h) < least) {
                least = misfit(w, h);
                best = frames;
            }
        }
        Map<String, Frame> frames = new LinkedHashMap<>();
        Map<String, Block> blocks = new LinkedHashMap<>();
        for (Frame f : best) {
            frames.put(f.id(), f);
            set(f, room(circuit.place(f.id()).orElseThrow()), rows.get(f.id()).rows(), blocks);
        }
        return new Placement(Placement.framesAround(circuit, frames, blocks), inOrder(blocks)).apart();
    }

    /** Steps between a frame and what is in it, for wires that go around, and for cores on their way to their glands. */
    private int room(Place place) {
        int posts = items.values().stream()
                .filter(i -> i.place().equals(place.id()))
                .mapToInt(i -> i.above().size() + i.below().size())
                .sum();
        int cores = (cableWidth(place) - 2 * Placement.PADDING) / 3;
        return Math.min(MOST_ROOM, Math.max(cores, posts / POSTS_A_LANE));
    }

    /** Steps of a frame's edge that the cables of a place take. */
    private int cableWidth(Place place) {
        return circuit.cables().stream()
                        .filter(c -> !c.from().equals(c.to()))
                        .filter(c -> c.from().equals(place.id()) || c.to().equals(place.id()))
                        .mapToInt(c -> cores(c) + 2)
                        .sum()
                + 2 * Placement.PADDING;
    }

    private int cores(Cable cable) {
        return Math.max(1, cable.cores().size());
    }

    private Map<String, Block> inOrder(Map<String, Block> blocks) {
        Map<String, Block> ordered = new LinkedHashMap<>();
        items.keySet().forEach(id -> ordered.put(id, blocks.get(id)));
        return ordered;
    }

    /** Each frame as high up, then as far left, as there is room; that between frames grows with the cables. */
    private List<Frame> shelves(Map<String, Rows> rows, int wide, int thickest) {
        List<Frame> frames = new ArrayList<>();
        int gap = FRAME_GAP + Math.min(MOST_ROOM, thickest);
        for (Place place : circuit.places()) {
            Rows r = rows.get(place.id());
            int width = Math.max(r.width(), Math.max(Placement.titleWidth(place), cableWidth(place)));
            int room = 2 * room(place);
            frames.add(highest(new Frame(place.id(), 0, 0, width + room, r.height() + room), frames, wide, gap));
        }
        return frames;
    }

    private static Frame highest(Frame frame, List<Frame> others, int wide, int gap) {
        List<Integer> ys = new ArrayList<>(List.of(0));
        List<Integer> xs = new ArrayList<>(List.of(0));
        others.forEach(o -> {
            ys.add(o.y() + o.height() + gap);
            xs.add(o.x() + o.width() + gap);
        });
        ys.sort(Comparator.naturalOrder());
        xs.sort(Comparator.naturalOrder());
        for (int y : ys) {
            for (int x : xs) {
                Frame there = frame.moved(x, y);
                if ((x == 0 || x + frame.width() <= wide) && others.stream().noneMatch(o -> o.crowds(there, gap))) {
                    return there;
                }
            }
        }
        throw new IllegalStateException("no room for " + frame.id());
    }

    private static void set(Frame frame, int room, List<Row> rows, Map<String, Block> blocks) {
        int y = frame.y() + Placement.TITLE + Placement.PADDING + room;
        for (int i = 0; i < rows.size(); i++) {
            Row row = rows.get(i);
            y += i == 0 ? 0 : gap(rows.get(i - 1).items(), row.items());
            for (int k = 0; k < row.items().size(); k++) {
                Item item = row.items().get(k);
                blocks.put(
                        item.id(),
                        item.block(
                                frame.x() + Placement.PADDING + room + row.at().get(k), y));
            }
            y += Placement.PART_HEIGHT;
        }
    }
}
