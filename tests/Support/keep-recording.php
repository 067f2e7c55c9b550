<?php

declare(strict_types=1);

/*
 * Records photos without end, each as the application does: the file first,
 * then the event and the count in one transaction. For the backup's test.
 */

$pdo = new PDO(
    sprintf('pgsql:host=127.0.0.1;port=%s;dbname=%s', getenv('DB_PORT'), getenv('DB_DATABASE')),
    getenv('DB_USERNAME') ?: 'sartal',
    getenv('DB_PASSWORD') ?: '',
    [PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION],
);
$folder = getenv('SARTAL_UPLOADS').'/pictures/';
[$installation, $user] = [
    (int) $pdo->query('select id from installations')->fetchColumn(),
    (int) $pdo->query('select id from users order by id')->fetchColumn(),
];
$pdo->exec("update installations set revision = 1 where id = {$installation}");
$event = $pdo->prepare(
    "insert into events (uuid, installation_id, run, kind, user_id, definition, created_at)
    values (gen_random_uuid(), ?, 'A-114', 'pictured', ?, ?, now())",
);
while (true) {
    $bytes = random_bytes(40_000);
    $name = hash('sha256', $bytes).'.png';
    file_put_contents($folder.$name, $bytes);
    $pdo->beginTransaction();
    $event->execute([
        $installation,
        $user,
        json_encode([
            'id' => '00000000-0000-4000-8000-000000000000',
            'kind' => 'pictured',
            'run' => 'A-114',
            'by' => 'x',
            'at' => '2026-03-09T08:00:00Z',
            'received' => '2026-03-09T08:00:00Z',
            'picture' => $name,
        ]),
    ]);
    usleep(2000);
    $pdo->exec("update installations set revision = revision + 1 where id = {$installation}");
    $pdo->commit();
}
