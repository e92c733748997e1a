<?php

declare(strict_types=1);

/*
 * Somebody who works: the rounds argv[2], as 1-12, over the paths that write, each request repeated until it is answered, as the pages
 * and the phone do. Says on a line of its own what was acknowledged; ends with 1 when an answer is none that may come.
 */
require __DIR__.'/../../vendor/autoload.php';

use Tests\Support\HttpPerson;
use Tests\Support\PngFile;

[, $address, $rounds, $who, $file] = $argv;
$database = new PDO("sqlite:{$file}");
$person = new HttpPerson($address);
/**
 * Until there is an answer: a connection that breaks and a server that is not there are tried again.
 *
 * @return array{int, array<mixed>}
 */
$send = static function (string $method, string $path, array $body = []) use ($person): array {
    [$status, $said] = [0, ''];
    for ($until = time() + 60; time() < $until;) {
        $form = array_filter($body, static fn (mixed $one): bool => $one instanceof CURLStringFile) !== [];
        [$status, $said] = $person->ask($method, "/api{$path}", $form ? $body : json_encode((object) $body, JSON_THROW_ON_ERROR));
        if ($status !== 0 && $status < 500) {
            return [$status, (array) json_decode($said, true)];
        }
    }
    fwrite(STDERR, "{$method} {$path}: no answer; the last was {$status} {$said}\n");
    exit(1);
};
$act = static function (string $what, string $method, string $path, array $body) use ($send): array {
    [$status, $said] = $send($method, $path, $body);
    // What was stored before its answer was lost is known again, or has its name taken.
    $there = $status === 409 || ($status === 422 && preg_match('/already|taken|lies before/', (string) json_encode($said)) === 1);
    if ($status >= 300 && ! $there) {
        fwrite(STDERR, "{$method} {$path} was answered {$status}: ".json_encode($said)."\n");
        exit(1);
    }
    echo "{$what}\n";

    return $said;
};
$uuid = static fn (): string => preg_replace(
    '/^(.{8})(.{4}).(.{3}).(.{3})(.{12})$/',
    '$1-$2-4$3-a$4-$5',
    bin2hex(random_bytes(16)),
) ?? '';
$status = $person->signIn($who);
if ($status !== 200) {
    fwrite(STDERR, "Signing in was answered {$status}.\n");
    exit(1);
}
/** What was acknowledged is stored: its number, by what names it. */
$find = static function (string $sql, string|int $by) use ($database): int {
    $found = $database->prepare($sql);
    $found->execute([$by]);
    $id = $found->fetchColumn();
    if ($id === false) {
        fwrite(STDERR, "{$by} was acknowledged and is not there: {$sql}\n");
        exit(1);
    }

    return (int) $id;
};
$day = gmdate('Y-m-d');
$square = static fn (int $i): array => [
    'type' => 'Polygon',
    'coordinates' => [[
        [-76.282 + $i * 0.003, 42.914], [-76.28 + $i * 0.003, 42.914], [-76.28 + $i * 0.003, 42.9155],
        [-76.282 + $i * 0.003, 42.9155], [-76.282 + $i * 0.003, 42.914],
    ]],
];
[$first, $last] = array_map(intval(...), explode('-', $rounds));
$picture = static fn (string $tag): CURLStringFile => new CURLStringFile(
    PngFile::painted(60, 60, [crc32($tag) & 255, (crc32($tag) >> 8) & 255, (crc32($tag) >> 16) & 255], []),
    'ground.png',
    'image/png',
);
$reagent = (string) ($send('GET', '/methods/1')[1]['definition']['reagents'][0]['name'] ?? '');
for ($i = $first; $i <= $last; $i++) {
    $tag = "Work {$i} of {$who}";
    $act('area', 'POST', '/sites/1/areas', [
        'name' => $tag, 'use' => 'pasture', 'history' => '', 'boundary' => $square($i % 40), 'facts' => (object) [],
    ]);
    $area = $find('SELECT id FROM areas WHERE name = ?', $tag);
    $act('changed', 'PUT', "/areas/{$area}", [
        'name' => $tag, 'use' => 'orchard', 'history' => 'limed once', 'boundary' => $square($i % 40), 'facts' => (object) [],
    ]);
    $act('underlay', 'POST', '/sites/1/underlays', ['picture' => $picture($tag)]);
    $act('landmark', 'POST', '/sites/1/landmarks', [
        'name' => $tag, 'geometry' => ['type' => 'Point', 'coordinates' => [-76.281, 42.9145]], 'distance_m' => 5,
    ]);
    $act('spread', 'POST', "/areas/{$area}/ground-events", [
        'kind' => 'application', 'on' => $day, 'what' => $tag, 'amount' => 40, 'unit' => 'kg/ha',
    ]);
    $act('transect', 'POST', "/areas/{$area}/transects", [
        'read_on' => $day, 'reader' => 'Tobias', 'instrument' => 'probe', 'row_spacing_cm' => 76, 'note' => $tag,
        'places' => [['cm' => 0, 'readings' => [9, 10]], ['cm' => 19, 'readings' => [7, 8]], ['cm' => 38, 'readings' => [5, 6]]],
    ]);
    $act('plan', 'POST', "/areas/{$area}/plans", [
        'purpose' => 'routine', 'school' => null, 'layers' => ['0-6in'], 'cores' => 12, 'pattern' => 'zigzag',
        'cell_acres' => null, 'cell_mode' => 'over', 'rows' => null, 'zones' => null, 'start' => null,
        'speed_km_per_h' => null, 'seconds_per_core' => null, 'edge_m' => 5.0, 'probe_mm' => 19.0, 'seed' => $i,
        'ph_sd' => null, 'kept_reason' => $tag, 'keep_away' => [],
    ]);
    $plan = $find('SELECT max(id) FROM plans WHERE area_id = ?', $area);
    $act('again', 'PUT', "/plans/{$plan}", [
        'purpose' => 'routine', 'school' => null, 'layers' => ['0-6in'], 'cores' => 12, 'pattern' => 'zigzag',
        'cell_acres' => null, 'cell_mode' => 'over', 'rows' => null, 'zones' => null, 'start' => null,
        'speed_km_per_h' => null, 'seconds_per_core' => null, 'edge_m' => 5.0, 'probe_mm' => 19.0, 'seed' => $i + 1,
        'ph_sd' => null, 'kept_reason' => $tag, 'keep_away' => [],
    ]);
    $act('codes', 'POST', "/plans/{$plan}/codes", []);
    $act('day', 'PUT', "/plans/{$plan}/day", ['pull_on' => $day]);
    $act('notes', 'POST', '/pull-entries', ['device' => $uuid(), 'now' => gmdate('c'), 'entries' => array_map(
        static fn (int $core): array => [
            'uuid' => $uuid(), 'plan_id' => $plan, 'composite' => 1, 'ordinal' => $core, 'sequence' => $core,
            'outcome' => 'pulled', 'reason' => null, 'at' => gmdate('c'), 'longitude' => null, 'latitude' => null,
            'accuracy_m' => null, 'settles' => [],
        ],
        range(1, 12),
    )]);
    $act('sample', 'POST', "/plans/{$plan}/samples", [
        'pulled_on' => $day, 'pulled_by' => $tag, 'cores_pulled' => 12, 'note' => '', 'submission' => $uuid(),
    ]);
    $sample = $find('SELECT id FROM samples WHERE pulled_by = ?', $tag);
    $act('photo', 'POST', "/samples/{$sample}/photos", ['picture' => $picture($tag)]);
    $shown = $send('GET', "/samples/{$sample}")[1];
    $codes = array_column($shown['portions'] ?? [], 'code', 'kind');
    $ids = array_column($shown['portions'] ?? [], 'id', 'kind');
    if (! isset($codes['lab'], $codes['bench'])) {
        fwrite(STDERR, "The composite of {$tag} was acknowledged and is not there whole.\n");
        exit(1);
    }
    $act('split', 'POST', "/samples/{$sample}/portions", [
        'kind' => 'archive', 'volume_ml' => 200, 'tests' => [], 'at' => gmdate('c'), 'dry' => false,
    ]);
    foreach (['drying', 'dried'] as $step) {
        $act('step', 'POST', '/custody-steps', [
            'submission' => $uuid(), 'codes' => array_values($codes), 'step' => $step, 'at' => gmdate('c'), 'place' => 'Tray',
            'condition' => null, 'celsius' => null, 'corrects' => null,
        ]);
    }
    $act('reading', 'POST', "/samples/{$sample}/readings", [
        'method_id' => 5, 'reading' => '6.'.($i % 10), 'read_on' => $day, 'reader' => 'Tobias', 'flags' => [], 'note' => $tag,
        'corrects_id' => null,
    ]);
    $run = $act('run', 'POST', '/sites/1/runs', [
        'submission' => $uuid(), 'method_id' => 1, 'portion_ids' => [$ids['bench']], 'replicates' => 1,
        'readers' => ['Tobias'], 'said' => ['water' => 'distilled', 'light' => 'behind', 'soil' => 'dry'],
        'celsius' => 20, 'depth_cm' => null, 'lot_ids' => [],
        'expired_anyway' => true, 'calibration_id' => null, 'now_ms' => (int) (microtime(true) * 1000), 'note' => $tag,
    ]);
    if (isset($run['id'])) {
        $act('marks', 'POST', "/runs/{$run['id']}/marks", ['now_ms' => (int) (microtime(true) * 1000), 'marks' => [[
            'uuid' => $uuid(), 'kind' => 'incident', 'tube' => 1, 'at_ms' => (int) (microtime(true) * 1000), 'code' => 'spilled',
        ]]]);
        $act('close', 'POST', "/runs/{$run['id']}/close", ['leave_unread' => true, 'note' => $tag, 'drop' => true]);
    }
    $act('calibration', 'POST', '/calibrations', [
        'instrument' => $tag, 'in_millivolts' => false, 'celsius' => 22,
        'points' => [['buffer' => 4, 'shown' => 4.02], ['buffer' => 7, 'shown' => 7.03]],
    ]);
    $pen = $find('SELECT max(id) FROM calibrations WHERE instrument = ?', $tag);
    $act('drift', 'POST', "/calibrations/{$pen}/drift", ['buffer' => 7, 'shown' => 7.02]);
    $act('lot', 'POST', '/methods/1/lots', [
        'reagent' => $reagent, 'lot' => $tag, 'expires_on' => null, 'price_cents' => null, 'tests' => null,
    ]);
    $act('links', 'PUT', '/methods/1/links', ['links' => [['name' => 'Sheet', 'url' => "https://sheets.example/{$i}"]]]);
    $act('eyes', 'POST', '/vision-checks', ['reader' => $tag, 'seed' => 1 + $i, 'answers' => array_fill(0, 10, '5')]);
    $round = $act('practice', 'POST', '/practice-rounds', [
        'method_id' => 1, 'reader' => $tag, 'source' => 'bench', 'known' => [5.0, 6.0], 'copies' => 1,
    ]);
    if (isset($round['id'])) {
        $act('score', 'POST', "/practice-rounds/{$round['id']}", [
            'answers' => array_fill(0, 2, ['band' => '6.0', 'between' => null]),
        ]);
    }
    $act('lab', 'POST', '/labs', [
        'name' => $tag, 'address' => null, 'email' => null, 'turnaround_days' => 10, 'transit_days' => 2, 'holidays' => [],
        'bag_ml' => 400, 'quarantine' => null, 'form' => [], 'columns' => [['column' => 'sample', 'field' => 'code']],
        'service' => false, 'tests' => [[
            'code' => 'ph', 'name' => 'pH', 'method' => null, 'extractant' => null, 'unit' => null, 'fee_cents' => 900,
            'needs_ml' => 100, 'depth' => null, 'outside' => null,
        ]],
    ]);
    $act('results', 'POST', "/samples/{$sample}/results", [
        'read_on' => $day, 'results' => [['method_id' => 4, 'reading' => '6.8']],
    ]);
    $act('soil', 'POST', '/check-soils', ['name' => $tag, 'known' => ['ph' => ['value' => 6.4, 'uncertainty' => 0.1]], 'note' => '']);
    $act('slipped', 'POST', '/sites/1/check-portions', [
        'check_soil_id' => $find('SELECT id FROM check_soils WHERE name = ?', $tag), 'volume_ml' => 200, 'tests' => ['ph'],
        'at' => gmdate('c'),
    ]);
    $act('consignment', 'POST', '/consignments', [
        'lab_id' => 2, 'submission' => $uuid(), 'portions' => [['code' => $codes['lab'], 'tests' => ['ph']]], 'answers' => [],
    ]);
    $packed = $find('SELECT max(consignment_id) FROM consigned_portions WHERE portion_id = ?', $ids['lab']);
    $act('sent', 'POST', "/consignments/{$packed}/send", ['carrier' => null, 'at' => gmdate('c')]);
    $act('report', 'POST', '/reports', [
        'file' => new CURLStringFile("sample,ph\n{$codes['lab']},6.".($i % 10)."\n", "{$tag}.csv", 'text/csv'),
        'lab_id' => '2', 'read_on' => $day,
    ]);
    $report = $find('SELECT max(id) FROM lab_reports WHERE file_name = ?', "{$tag}.csv");
    $act('paper', 'POST', "/reports/{$report}/papers", ['paper' => $picture($tag)]);
    $act('policy', 'POST', '/policies', [
        'analyte' => 'k', 'required' => 0.85, 'confidence' => 0.95, 'allowable' => 20 + $i % 3, 'change' => 20, 'crops' => (object) [],
        'thresholds' => [120, 170], 'looking' => 'often', 'reason' => "{$tag}, the limits as agreed.",
    ]);
    $evidence = $send('GET', '/evidence/1')[1];
    $act('verdict', 'POST', '/evidence/1/verdicts', [
        'claim' => 'sort', 'hash' => (string) ($evidence['hash'] ?? str_repeat('0', 64)),
        'follows_id' => $evidence['claims']['sort']['signed']['id'] ?? null, 'scope' => "{$tag}, soils of the site",
        'note' => '', 'password' => 'soil-and-lime',
    ]);
}
echo "finished\n";
