-- In the shop's own database, as a superuser: everything in it is the owner's, and the web may use it but not change
-- it.
do $$
declare thing record;
begin
    for thing in select c.oid::regclass as name, case c.relkind when 'S' then 'sequence' when 'v' then 'view' else 'table' end as kind
        from pg_class c join pg_namespace n on n.oid = c.relnamespace
        where n.nspname = 'public' and c.relkind in ('r', 'p', 'S', 'v') and pg_get_userbyid(c.relowner) <> 'dithermic_owner'
            and not exists (select from pg_depend d where d.objid = c.oid and d.deptype in ('a', 'i') and c.relkind = 'S')
    loop
        execute format('alter %s %s owner to dithermic_owner', thing.kind, thing.name);
    end loop;
    for thing in select p.oid::regprocedure as name from pg_proc p join pg_namespace n on n.oid = p.pronamespace
        where n.nspname = 'public' and pg_get_userbyid(p.proowner) <> 'dithermic_owner'
    loop
        execute format('alter function %s owner to dithermic_owner', thing.name);
    end loop;
end $$;
alter schema public owner to dithermic_owner;
revoke create on schema public from public;
grant usage on schema public to dithermic;
grant select, insert, update, delete on all tables in schema public to dithermic;
grant usage, select on all sequences in schema public to dithermic;
alter default privileges for role dithermic_owner in schema public grant select, insert, update, delete on tables to dithermic;
alter default privileges for role dithermic_owner in schema public grant usage, select on sequences to dithermic;
do $$
declare logged text;
begin
    -- What is only ever added to: the triggers refuse a change, and the web may not even ask.
    foreach logged in array array['run_events', 'lot_movements', 'readings', 'polymer_overrides', 'recipes', 'machine_facts', 'migrations',
        'goods_movements', 'care_done', 'channel_log', 'case_log', 'lessons', 'change_log', 'part_pictures', 'sample_log', 'shift_notes', 'passport_log',
        'reading_minutes', 'part_movements', 'finishings', 'finished', 'standstills', 'days_off']
    loop
        if to_regclass(logged) is not null then
            execute format('revoke update, delete on %I from dithermic', logged);
        end if;
    end loop;
end $$;
-- What is nowhere in memory is on a disk without arms: with the four that stands for one with arms, half of a table
-- counts as cheaper to read whole than a few hundred rows by their index.
alter database :"DBNAME" set random_page_cost = 1.1;
