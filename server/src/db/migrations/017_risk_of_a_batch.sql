-- The risk of missing a late root is said of a whole batch from here on, no longer of every look. Twice what was agreed
-- for a look asks for about as many openings as before.
UPDATE household SET late_tolerance = min(2 * late_tolerance, 0.5);
