-- with each act it is asked what hands have put in at a circuit: few of many acts
create index bench_action_kind on bench_action (bench_id, kind);
