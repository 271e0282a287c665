-- standing rules that somebody has switched off for a circuit
create table standing_off (
    circuit_id bigint not null references circuit(id),
    rule varchar(100) not null,
    primary key (circuit_id, rule)
);

-- an acceptance sheet that is gone through; its lines are kept as they were computed when it was begun
create table acceptance (
    id uuid primary key,
    revision_id bigint not null references circuit_revision(id),
    who varchar(80) not null,
    sheet clob not null,
    started_at timestamp with time zone not null
);
create index acceptance_revision on acceptance (revision_id);

-- what was seen at a line, the newest; seen is whether it was as it must be
create table acceptance_line (
    acceptance_id uuid not null references acceptance(id),
    line int not null,
    seen boolean not null,
    initials varchar(8) not null,
    words varchar(400) not null,
    at timestamp with time zone not null,
    primary key (acceptance_id, line)
);
