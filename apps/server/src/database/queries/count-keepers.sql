SELECT count(*) AS keepers FROM person WHERE role = 'keep';
