<?php

declare(strict_types=1);

// Somebody who reads or writes through a balancer until a file is there: php load.php read|write BASE STOP [TOKEN PAGE]
// Says what came of it as JSON; who writes also says each change that was confirmed on the error stream, a line each.
[, $what, $base, $stop] = $argv;
$ask = static function (string $path, array $headers, ?string $body = null) use ($base): array {
    $curl = curl_init($base.$path);
    curl_setopt_array(
        $curl,
        [CURLOPT_RETURNTRANSFER => true, CURLOPT_TIMEOUT => 120, CURLOPT_HTTPHEADER => $headers] +
            ($body === null ? [] : [CURLOPT_POST => true, CURLOPT_POSTFIELDS => $body]),
    );
    $said = curl_exec($curl);

    return [curl_getinfo($curl, CURLINFO_RESPONSE_CODE), is_string($said) ? $said : ''];
};

$told = ['asked' => 0, 'failed' => [], 'entries' => []];
for ($n = 0; ! is_file($stop); $n++) {
    $told['asked']++;
    if ($what === 'read') {
        $path = ['/travel', '/', '/help', '/travel/fares', '/nowhere'][$n % 5];
        [$status] = $ask($path, ['Host: ferries.test']);
        if (! in_array($status, $path === '/nowhere' ? [404] : [200, 301], true)) {
            $told['failed'][] = "$path $status";
        }

        continue;
    }
    [, , , , $token, $page] = $argv;
    $change = json_encode(['changes' => [['kind' => 'rename', 'page' => $page, 'name' => "Renamed $n"]]], JSON_THROW_ON_ERROR);
    $headers = ["Authorization: Bearer $token", 'Content-Type: application/json', 'Accept: application/json'];
    [$status, $said] = $ask('/api/v1/sites/ferries/batches', $headers, $change);
    if ($status === 201) {
        $told['entries'][] = json_decode($said, true)['id'];
        fwrite(STDERR, "confirmed\n");
    } elseif ($status < 500) {
        // A node that dies may leave it open whether a change was made; nothing else may come of it.
        $told['failed'][] = "$status ".substr($said, 0, 300);
    }
}
echo json_encode($told, JSON_THROW_ON_ERROR);
