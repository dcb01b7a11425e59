-- Why a value is asked about is a code with parameters now; what was read is read anew, verdicts follow by their form.
DELETE FROM "reading";
