SELECT count(*) AS jobs FROM job;
