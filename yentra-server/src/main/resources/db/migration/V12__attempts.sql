-- not only derivations are waited for
alter table boundary_try rename to attempt;
