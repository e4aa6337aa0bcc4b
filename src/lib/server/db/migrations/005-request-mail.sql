-- Mail about a request that went into a matter belongs to that matter: in the Post room it is read
-- by those who may see it.
UPDATE mail_out
SET matter_id = (
	SELECT r.matter_id
	FROM request r
	WHERE r.matter_id IS NOT NULL
		AND instr(mail_out.text, '/requests/' || r.id || char(10)) > 0
)
WHERE matter_id IS NULL
	AND text LIKE '%/requests/%'
	AND EXISTS (
		SELECT 1
		FROM request r
		WHERE r.matter_id IS NOT NULL
			AND instr(mail_out.text, '/requests/' || r.id || char(10)) > 0
	);
