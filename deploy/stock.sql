-- 20,000 lots and 1,000,000 movements, to measure lists on (`dithermic bench`). Only for a shop that is thrown away:
--   DITHERMIC_STATE=/tmp/big bin/dithermic start --port 8290, then psql -f deploy/stock.sql on its database.
insert into lots (code, source_id, polymer, form, colour, swatch, location, dry_state, created_at, updated_at)
select 'B-' || lpad(i::text, 6, '0'), (select min(id) from sources) + i % (select count(*) from sources)::int,
    (array['HDPE', 'LDPE', 'PP', 'PS', 'HIPS', 'ABS', 'PET', 'PC'])[1 + i % 8], (array['flake', 'pellet', 'regrind', 'item'])[1 + i % 4], (array['white', 'black', 'red', 'blue', 'green'])[1 + i % 5], '#808080', 'Rack ' || i % 90, 'unknown', now(), now()
from generate_series(1, 20000) i;
insert into lot_movements (lot_id, mass_g, kind, reason, by_id, at)
select l.id, case when n = 1 then 100000 else -500 - (n * 7) % 900 end, case when n = 1 then 'delivered' else 'drawn' end, 'measured', (select min(id) from users), now() - (51 - n) * interval '1 hour'
from lots l cross join generate_series(1, 50) n where l.code like 'B-%';
analyze lots;
analyze lot_movements;
