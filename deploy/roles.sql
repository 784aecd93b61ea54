-- Who may do what in the cluster: `keeper` looks after it, `dithermic_owner` owns the tables and changes them,
-- `dithermic` is the web and can only use them. Run as a superuser, as often as you like; :names come from the start
-- script.
select format('create role dithermic_owner login createdb password %L', :'owner_password') where not exists (select from pg_roles where rolname = 'dithermic_owner') \gexec
select format('create role dithermic login password %L', :'web_password') where not exists (select from pg_roles where rolname = 'dithermic') \gexec
alter role dithermic_owner password :'owner_password';
alter role dithermic nosuperuser nocreatedb nocreaterole password :'web_password';
-- One who waits for a lock or forgets a transaction does not hold the others up.
alter role dithermic set statement_timeout = '30s';
alter role dithermic set lock_timeout = '10s';
alter role dithermic set idle_in_transaction_session_timeout = '20s';
