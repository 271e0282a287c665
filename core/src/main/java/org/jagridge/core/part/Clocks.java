package org.jagridge.core.part;

import java.lang.invoke.MethodHandle;
import java.lang.invoke.MethodHandles;
import java.lang.invoke.MethodType;
import java.lang.reflect.Constructor;
import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.UnaryOperator;

/**
 * Moves the state of any part along the clock. A state is made of records, lists, enums and plain values; whatever time
 * it remembers is an {@link Instant}, wherever it stands in it.
 */
public final class Clocks {
    private static final ClassValue<Taken> APART = new ClassValue<>() {
        @Override
        protected Taken computeValue(Class<?> type) {
            return Taken.apart(type);
        }
    };

    private Clocks() {}

    /** The same state with all its instants later by {@code micros}. */
    public static Object shifted(Object state, long micros) {
        return micros == 0 ? state : each(state, v -> v instanceof Instant i ? i.plus(micros) : null);
    }

    /**
     * The state as seen from {@code now}: instants count from it, and what runs on by itself is written from it and
     * rounded. Two states of one part that go on alike are equal in this form, once {@link Behaviour#canonical} has
     * taken from them what no longer matters.
     */
    public static Object relative(Object state, Instant now) {
        return each(state, v -> {
            if (v instanceof Instant i) {
                return i.minus(now.micros());
            }
            return v instanceof Clocked c ? shifted(c.asOf(now), -now.micros()) : null;
        });
    }

    /** The state with {@code change} made to each value in it for which that gives one; the same object where none is. */
    private static Object each(Object state, UnaryOperator<Object> change) {
        if (state == null) {
            return null;
        }
        Object changed = change.apply(state);
        if (changed != null) {
            return changed;
        }
        if (state instanceof List<?> list) {
            List<Object> now = new ArrayList<>(list.size());
            boolean same = true;
            for (Object item : list) {
                Object next = each(item, change);
                same &= next == item;
                now.add(next);
            }
            return same ? state : List.copyOf(now);
        }
        return state instanceof Record ? APART.get(state.getClass()).each(state, change) : state;
    }

    /** A record type taken apart and put together again. */
    private record Taken(List<MethodHandle> components, MethodHandle constructor) {
        static Taken apart(Class<?> type) {
            RecordComponent[] components = type.getRecordComponents();
            if (components == null) {
                return new Taken(List.of(), null);
            }
            try {
                MethodHandles.Lookup lookup = MethodHandles.privateLookupIn(type, MethodHandles.lookup());
                List<MethodHandle> handles = new ArrayList<>();
                boolean plain = true;
                for (RecordComponent c : components) {
                    plain &= isPlain(c.getType());
                    handles.add(lookup.unreflect(c.getAccessor())
                            .asType(MethodType.methodType(Object.class, Object.class)));
                }
                if (plain) {
                    return new Taken(List.of(), null);
                }
                Constructor<?> canonical = type.getDeclaredConstructor(
                        Arrays.stream(components).map(RecordComponent::getType).toArray(Class<?>[]::new));
                MethodHandle made = lookup.unreflectConstructor(canonical)
                        .asType(MethodType.genericMethodType(components.length))
                        .asSpreader(Object[].class, components.length);
                return new Taken(List.copyOf(handles), made);
            } catch (ReflectiveOperationException e) {
                throw new IllegalStateException("a state of " + type + " can't be taken apart", e);
            }
        }

        private static boolean isPlain(Class<?> type) {
            return type.isPrimitive() || type.isEnum() || type == String.class || Number.class.isAssignableFrom(type);
        }

        private Object each(Object state, UnaryOperator<Object> change) {
            if (constructor == null) {
                return state;
            }
            try {
                Object[] values = new Object[components.size()];
                boolean same = true;
                for (int i = 0; i < values.length; i++) {
                    Object value = components.get(i).invokeExact(state);
                    values[i] = Clocks.each(value, change);
                    same &= values[i] == value;
                }
                return same ? state : (Object) constructor.invokeExact(values);
            } catch (RuntimeException | Error e) {
                throw e;
            } catch (Throwable e) {
                throw new IllegalStateException("a state of " + state.getClass() + " can't be put together", e);
            }
        }
    }
}
