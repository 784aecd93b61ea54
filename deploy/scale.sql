-- The demo's runs again and again, end to end into the past, with their pieces, entries, checks, lots and masses; and
-- readings of every channel of the demo. `dithermic seed --scale` runs it, in a shop that is thrown away: nothing of it
-- can be taken back. runs, readings: how many there shall be, about.
\set ON_ERROR_STOP 1
\timing on
begin;
-- What the copies say was checked when the demo was made: triggers and keys would ask it a hundred million times.
set local session_replication_role = replica;
set local work_mem = '256MB';

create temp table model on commit drop as
select r.id, r.started_at, row_number() over (order by r.started_at, r.id) as n,
    300 + extract(epoch from greatest(
        r.ended_at,
        (select max(at) from run_events where run_id = r.id),
        (select max(to_at) from run_stations where run_id = r.id)
    ) - r.started_at) as length_s
from runs r where r.ended_at is not null;

create temp table copies on commit drop as
with lap as (select *, sum(length_s) over (order by n) - length_s as offset_s, sum(length_s) over () as lap_s from model),
    ends as (select min(started_at) - interval '1 day' as at, count(*) as runs from model)
select lap.id as of, gen_random_uuid() as id, k, k / 10 as sacks,
    ends.at - make_interval(secs => k * lap.lap_s - lap.offset_s) - lap.started_at as shift
from ends, lap cross join lateral generate_series(1, ceil(:runs / ends.runs::numeric)::int) k;
create index on copies (of);
analyze copies;

-- Sacks are used by the runs of ten laps, and hold what these take.
create temp table sacks on commit drop as
select l.id as of, nextval('lots_id_seq') as id, g as sacks, format('S%s-%s', g, l.code) as code
from lots l cross join (select distinct sacks as g from copies) as laps
where l.id in (select lot_id from run_materials union select lot_id from run_outputs union select lot_id from lot_movements where run_id is not null);
create index on sacks (of, sacks);
analyze sacks;

insert into lots
select (jsonb_populate_record(l, jsonb_build_object('id', s.id, 'code', left(s.code, 30), 'picture_id', null, 'reserved_for_id', null))).*
from sacks s join lots l on l.id = s.of;

insert into runs (id, product_id, recipe_id, procedure_id, started_by, plan, choices, setup, safety, status, step, verdict,
    scrap_reason, started_at, ended_at, created_at, updated_at, polymer, set_c, done)
select c.id, product_id, recipe_id, procedure_id, started_by, plan, choices, setup, safety, status, step, verdict,
    scrap_reason, started_at + shift, ended_at + shift, created_at + shift, updated_at + shift, polymer, set_c, done
from copies c join runs r on r.id = c.of order by started_at + shift;

insert into run_events (run_id, seq, key, type, at, by_id, data, recorded_at, source)
select c.id, seq, key, type, at + shift, by_id, data, recorded_at + shift, source from copies c join run_events e on e.run_id = c.of;

insert into run_stations (run_id, role, machine_id, from_at, to_at, contested, position)
select c.id, role, machine_id, from_at + shift, to_at + shift, contested, position from copies c join run_stations s on s.run_id = c.of;

insert into inspections (run_id, event_key, mass_g, result, at, kind, piece, figures)
select c.id, event_key, mass_g, result, at + shift, kind, piece, figures from copies c join inspections i on i.run_id = c.of;

-- Three for each piece of the demo: runs there were kept short.
insert into pieces (run_id, number, outcome, verdict, reason, began_at, ended_at, clocked)
select c.id, number + again * (select max(number) from pieces m where m.run_id = c.of), outcome, verdict, reason, began_at + shift, ended_at + shift, clocked
from copies c join pieces p on p.run_id = c.of cross join generate_series(0, 2) again;

insert into run_materials (run_id, lot_id, mass_g)
select c.id, s.id, mass_g from copies c join run_materials m on m.run_id = c.of join sacks s on s.of = m.lot_id and s.sacks = c.sacks;

insert into run_outputs (run_id, kind, product_id, lot_id, count, mass_g, event_key, at)
select c.id, kind, product_id, s.id, count, mass_g, event_key, at + shift
from copies c join run_outputs o on o.run_id = c.of left join sacks s on s.of = o.lot_id and s.sacks = c.sacks;

insert into lot_movements (lot_id, mass_g, kind, reason, by_id, at)
select s.id, coalesce(1.02 * sum(-m.mass_g) filter (where m.mass_g < 0), 0) + 1000, 'delivered', 'from the scale', min(m.by_id), min(m.at + c.shift) - interval '1 day'
from sacks s join copies c on c.sacks = s.sacks join lot_movements m on m.run_id = c.of and m.lot_id = s.of group by s.id;

insert into lot_movements (lot_id, mass_g, kind, reason, run_id, event_key, by_id, at)
select s.id, m.mass_g, m.kind, m.reason, c.id, m.event_key, m.by_id, m.at + shift
from copies c join lot_movements m on m.run_id = c.of join sacks s on s.of = m.lot_id and s.sacks = c.sacks
where m.act_id is null and m.charge_id is null order by m.at + shift;

-- What was made and stands nowhere any more has gone.
insert into goods_movements (id, product_id, kind, count, reason, by_id, at)
select gen_random_uuid(), o.product_id, 'taken', -sum(o.count)::int, 'delivered', (select min(id) from users), max(o.at) + interval '1 hour'
from run_outputs o join copies c on c.id = o.run_id where o.kind = 'goods' and o.count > 0 group by o.product_id, c.k;

insert into flaws (id, run_id, piece, defect, along, across, by_id, at)
select gen_random_uuid(), c.id, piece, defect, along, across, by_id, at + shift from copies c join flaws f on f.run_id = c.of where f.undoes is null and f.defect is not null;

-- What the database would have kept in step.
insert into lot_totals select lot_id, sum(mass_g) from lot_movements where lot_id in (select id from sacks) group by lot_id;
insert into goods_totals select product_id, sum(count) from run_outputs where kind = 'goods' group by product_id
on conflict (product_id) do update set made = excluded.made;
commit;

-- Readings of every channel every ten seconds, month by month before the first that there is room for. A month is
-- filled before it has indexes and is joined to the others then: with them it takes ten times as long.
create temp table heard as select machine_id, channel, avg(value) as mean from readings group by 1, 2;
create temp table months as
select to_char(month, '"readings_"YYYY_MM') as name, month, month + interval '1 month' as until
from (select min(to_date(right(relname, 7), 'YYYY_MM')) as first from pg_class where relname ~ '^readings_[0-9]{4}_[0-9]{2}$') as known,
    generate_series(1, ceil(:readings / (select count(*) from heard)::numeric / 262800)::int) as back,
    lateral (select first - back * interval '1 month' as month) as m;

select format($each$
    create table %1$I (like readings including defaults including constraints);
    insert into %1$I (at, machine_id, channel, value)
    select t, machine_id, channel, round((mean * (1 + 0.02 * sin(extract(epoch from t) / 900)) + random())::numeric, 2)
    from generate_series(%2$L::timestamptz, %3$L::timestamptz - interval '10 s', interval '10 s') t cross join heard;
    create unique index on %1$I (machine_id, channel, at);
    create index on %1$I using brin (at);
    create index on %1$I (run_id, channel, at) where run_id is not null;
    alter table %1$I owner to dithermic_owner;
    alter table readings attach partition %1$I for values from (%2$L) to (%3$L)$each$, name, month::date, until::date)
from months order by month \gexec

vacuum (analyze);
