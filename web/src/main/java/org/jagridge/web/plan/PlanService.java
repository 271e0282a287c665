package org.jagridge.web.plan;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import org.jagridge.core.plan.WiringAnswer;
import org.jagridge.core.plan.WiringPlanner;
import org.jagridge.core.plan.WiringRequest;
import org.jagridge.core.plan.WiringRequestReader;
import org.springframework.stereotype.Service;

/** Plans, and keeps the last answers: choosing another card asks for nothing new. */
@Service
class PlanService {
    private static final int KEPT = 50;

    private final Cache<WiringRequest, WiringAnswer> answers =
            Caffeine.newBuilder().maximumSize(KEPT).build();

    /** @throws org.jagridge.core.format.MalformedException with every mistake of the form */
    WiringAnswer plan(PlanForm form) {
        return answers.get(WiringRequestReader.read(form.request()), WiringPlanner::plan);
    }
}
