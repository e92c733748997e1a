<?php

declare(strict_types=1);

/*
 * A phone of CrashTest: sends its entries in batches and repeats each until it is acknowledged, as the pull page does.
 * Says on a line of its own when it is about to send and what was acknowledged.
 */
require __DIR__.'/../../vendor/autoload.php';

use Tests\Support\HttpPerson;

[, $address, $plan, $count, $size] = $argv;
$person = new HttpPerson($address, 10);
$send = static fn (string $method, string $path, ?array $body = null): array => $person->json($method, $path, $body);
$uuid = static fn (): string => preg_replace(
    '/^(.{8})(.{4}).(.{3}).(.{3})(.{12})$/',
    '$1-$2-4$3-a$4-$5',
    bin2hex(random_bytes(16)),
) ?? '';
$signIn = static fn (): int => $person->signIn('maren@demo.example');
$status = $signIn();
if ($status !== 200) {
    fwrite(STDERR, "Signing in was answered {$status}.\n");
    exit(1);
}
$device = $uuid();
$waiting = [];
for ($i = 1; $i <= (int) $count; $i++) {
    $waiting[] = [
        'uuid' => $uuid(),
        'plan_id' => (int) $plan,
        'composite' => 1,
        'ordinal' => $i,
        'sequence' => (($i - 1) % 10) + 1,
        'outcome' => $i % 2 === 0 ? 'undone' : 'pulled',
        'reason' => null,
        'at' => gmdate('c'),
        'longitude' => null,
        'latitude' => null,
        'accuracy_m' => null,
        'settles' => [],
    ];
}
$repeats = 0;
while ($waiting !== []) {
    $batch = array_slice($waiting, 0, (int) $size);
    echo "sending\n";
    [$status, $answer] = $send('POST', '/api/pull-entries', [
        'device' => $device,
        'now' => gmdate('c'),
        'entries' => $batch,
    ]);
    // An answer that was cut off by a kill is none, whatever its first line said.
    if ($status !== 200 || ! isset($answer['known'], $answer['stored'])) {
        // A server that has forgotten who this is, or what its token was, is told again.
        in_array($status, [401, 419], true) && $signIn();
        if (++$repeats > 5000) {
            fwrite(STDERR, "The last of very many tries was answered {$status}.\n");
            exit(1);
        }

        continue;
    }
    $repeats += count($answer['known']) > 0 ? 1 : 0;
    $taken = array_fill_keys([...$answer['stored'], ...$answer['known']], true);
    $waiting = array_values(array_filter($waiting, static fn (array $entry): bool => ! isset($taken[$entry['uuid']])));
}
echo "repeats {$repeats}\n";
