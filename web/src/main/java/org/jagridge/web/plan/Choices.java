package org.jagridge.web.plan;

import java.util.List;
import org.jagridge.core.plan.WiringRequest;
import org.jagridge.core.plan.WiringRequest.Accessory;
import org.jagridge.core.plan.WiringRequest.IndoorKind;
import org.jagridge.core.plan.WiringRequest.Way;
import org.jagridge.core.plan.Worded;

/** What the form offers, in people's words. */
public record Choices(
        List<Choice> indoor,
        List<Choice> outdoor,
        List<Choice> water,
        List<Choice> accessories,
        List<Choice> ways,
        List<Example> examples) {
    /** @param value as the interface writes it */
    public record Choice(String value, String title) {}

    /** A shortage to look at, with its address. */
    public record Example(String title, String address) {}

    private static final String ALL_WAYS =
            "&allow=batteries&allow=sharing-pair&allow=wireless-module&allow=local-transformer&allow=new-cable&allow=relay&asked=1";

    static final Choices ALL = new Choices(
            of(IndoorKind.class),
            of(WiringRequest.OUTDOOR_KINDS),
            of(WiringRequest.HYDRONICS_KINDS),
            of(Accessory.class),
            of(Way.class),
            List.of(
                    new Example("Warden's cottage: two shortages", "/plan?" + PlanForm.START),
                    new Example(
                            "The cottage, nothing allowed: unsolved",
                            "/plan?" + PlanForm.START.replaceAll("&allow=[a-z-]+", "")),
                    new Example(
                            "Seminar room: a new thermostat",
                            "/plan?indoor=gas-furnace&posts=R+C+W+Y+G&va=40&outdoor=cooling&stages=1&terminals=R+C+W+Y+G&kind=conventional&power=common"
                                    + "&tc=red+blue+white+yellow+green&tcm=12&oc=yellow+blue&ocm=15&old=red%3DRC+blue%3DC%3EFC.C+white%3DW%3EFC.W+yellow%3DY%3EFC.Y+green%3DG%3EFC.G"
                                    + ALL_WAYS),
                    new Example(
                            "Student flat: the wiring centre",
                            "/plan?water=mid-position&tc=brown+black+blue&tcm=9" + ALL_WAYS)));

    private static <E extends Enum<E> & Worded> List<Choice> of(Class<E> kind) {
        return of(Worded.all(kind));
    }

    private static List<Choice> of(List<String> words) {
        return words.stream().map(w -> new Choice(w, w.replace('-', ' '))).toList();
    }
}
