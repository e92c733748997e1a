<?php

declare(strict_types=1);

/*
 * A stand-in for the interface of a courier and a lab, and for two instruments: a process of its own with a state of
 * its own, reached over HTTP alone.
 * It shares no code and no database with the application. Its days pass when it is told so. All it says is made up.
 *
 *   POST /consignments                      {reference, transit_days, turnaround_days, portions: [{code, tests}]} -> 201 {id}
 *   GET  /consignments/{id}                 {state, word, day, reports: [name]}
 *   GET  /consignments/{id}/reports/{name}  the report, CSV or JSON, in one of three shapes
 *   POST /consignments/{id}/recheck         {codes, why} -> {word}; a corrected report follows
 *   POST /soils                             {reference, soils: {code: {token, ground, ph}}} -> {}, before it is announced
 *   POST /clock                             {advance_days?, trouble?: none, lose or delay, slip?: none, swap or shift,
 * told?, shape?} -> {day, word}
 *   GET  /clock                             {day}
 *
 * A pH pen and a nitrate probe, too:
 *
 *   GET  /instruments/{ph|no3n}?seconds&soil&ph&trouble&pace   readings line by line, {n, at_ms, value, celsius}, then
 * {end: true}
 *
 * STAND_IN_STATE names the file that it keeps its state in.
 */
require __DIR__.'/Laboratory.php';
require __DIR__.'/Refused.php';
require __DIR__.'/Report.php';
require __DIR__.'/Slip.php';
require __DIR__.'/Instrument.php';

$path = explode('/', trim((string) parse_url((string) $_SERVER['REQUEST_URI'], PHP_URL_PATH), '/'));
$path = array_map(rawurldecode(...), $path);
if ($path[0] === 'instruments' && count($path) === 2) {
    try {
        StandIn\Instrument::stream($path[1], $_GET);
    } catch (StandIn\Refused $refused) {
        http_response_code($refused->getCode());
        echo json_encode(['message' => $refused->getMessage()], JSON_THROW_ON_ERROR);
    }

    return;
}
$file = getenv('STAND_IN_STATE') ?: dirname(__DIR__).'/var/stand-in.json';
$lock = fopen($file, 'c+');
if ($lock === false || ! flock($lock, LOCK_EX)) {
    http_response_code(500);
    exit();
}
try {
    $laboratory = StandIn\Laboratory::from((string) stream_get_contents($lock), date('Y-m-d'));
    $body = json_decode((string) file_get_contents('php://input'), true);
    $body = is_array($body) ? $body : [];
    [$status, $answer] = match ([$_SERVER['REQUEST_METHOD'], $path[0], count($path)]) {
        ['POST', 'consignments', 1] => [201, ['id' => $laboratory->accept($body)]],
        ['GET', 'consignments', 2] => [200, $laboratory->say($path[1])],
        ['GET', 'consignments', 4] => [200, $laboratory->report($path[1], $path[3])],
        ['POST', 'consignments', 3] => $path[2] === 'recheck'
            ? [200, $laboratory->recheck($path[1])]
            : throw new StandIn\Refused('There is no such thing here.', 404),
        ['POST', 'soils', 1] => [200, $laboratory->fill($body)],
        ['GET', 'clock', 1] => [200, ['day' => $laboratory->day()]],
        ['POST', 'clock', 1] => [200, $laboratory->order($body)],
        default => throw new StandIn\Refused('There is no such thing here.', 404),
    };
    ftruncate($lock, 0);
    rewind($lock);
    fwrite($lock, $laboratory->state());
} catch (StandIn\Refused $refused) {
    [$status, $answer] = [$refused->getCode(), ['message' => $refused->getMessage()]];
} finally {
    flock($lock, LOCK_UN);
}
http_response_code($status);
header('X-Simulated: yes');
header('Content-Type: '.(is_string($answer) ? 'text/csv; charset=utf-8' : 'application/json'));
echo is_string($answer) ? $answer : json_encode($answer, JSON_THROW_ON_ERROR);
