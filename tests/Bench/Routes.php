<?php

declare(strict_types=1);

namespace Tests\Bench;

use PDO;

/** Every GET route of the API with an address of a team's own records. */
final readonly class Routes
{
    /** The newest row of the team stands for a parameter, with what it must have. */
    private const NEWEST = [
        'site' => 'sites',
        'area' => 'areas',
        'plan' => 'plans',
        'sample' => 'samples',
        'portion' => 'portions',
        'consignment' => 'consignments',
        'run' => "bench_runs WHERE state = 'finished' AND id <= (SELECT min(id) + 2 FROM bench_runs WHERE team_id = :team)",
        'report' => 'lab_reports',
        'verdict' => 'verdicts',
        'program' => 'programs',
        'underlay' => 'underlays',
        'photo' => 'photos',
        'paper' => 'report_papers',
    ];

    private const FORMATS = [
        'sites/{site}/areas/export/{format}' => 'geojson',
        'plans/{plan}/points/{format}' => 'csv',
        'programs/{program}/spread-list/{format}' => 'csv',
    ];

    private const QUERIES = [
        'today' => '?site_id={site}',
        'plans' => '?site_id={site}',
        'samples' => '?site_id={site}',
        'follow-up' => '?site_id={site}',
        'recommendations' => '?site_id={site}',
        'bench' => '?site_id={site}',
        'search' => '?q=BY21',
        'side-by-side' => '?analyte=ph',
        'plans/{plan}/pull' => '?composite=1',
        'plans/{plan}/calendar' => '?lime_on=2027-04-01',
        'plans/{plan}/calendar.ics' => '?lime_on=2027-04-01',
        'portions' => '?code={code}',
        'reports/progress' => '?sha256=0000000000000000000000000000000000000000000000000000000000000000',
        'areas/{area}/program/crops' => '?crops=corn,vegetables',
    ];

    /** What answers only what is not among a demo's records: files that people handed in, days of a lab's interface, practice ground. */
    private const NOT_ASKED = [
        'underlays/{underlay}/picture', 'photos/{photo}', 'bag-photos/{photo}', 'reports/{report}/papers/{paper}',
        'consignments/{consignment}/reports/{delivered}', 'archive/{name}', 'practice/shown', 'practice/reveal', 'practice/classes/{class}',
    ];

    public const EXPORTS = ['ledger.csv', 'results.csv', 'results.json', 'verdicts.json'];

    /** @return list<string> paths as routes/api.php has them */
    public static function declared(): array
    {
        preg_match_all("/Route::get\\('([^']+)', C/", (string) file_get_contents(__DIR__.'/../../routes/api.php'), $found);

        return array_values(array_diff($found[1], ['welcome', 'session', 'ping', 'invitations/{token}', ...self::NOT_ASKED]));
    }

    /** @return array<string, string> addresses of a team by the path of the route */
    public static function of(PDO $database, int $team): array
    {
        $ids = [];
        foreach (self::NEWEST as $name => $where) {
            $from = str_contains($where, 'WHERE') ? $where : "{$where} WHERE 1";
            $ids["{{$name}}"] = self::one($database, "SELECT id FROM {$from} AND team_id = :team ORDER BY id DESC LIMIT 1", $team);
        }
        $ids['{method}'] = self::one(
            $database,
            "SELECT method_id FROM readings WHERE team_id = :team AND method_id IN (SELECT id FROM methods
                WHERE workplace = 'bench' AND analyte = 'ph') GROUP BY method_id ORDER BY count(*) DESC LIMIT 1",
            $team,
        );
        $ids['{other}'] = self::one(
            $database,
            "SELECT id FROM areas WHERE team_id = :team AND id <> {$ids['{area}']}
                AND site_id = (SELECT site_id FROM areas WHERE id = {$ids['{area}']}) LIMIT 1",
            $team,
        );
        $ids['{code}'] = self::one(
            $database,
            'SELECT code FROM portions WHERE team_id = :team ORDER BY id LIMIT 1',
            $team,
        );
        $paths = [];
        foreach (self::declared() as $path) {
            $address = str_replace('{format}', self::FORMATS[$path] ?? '', $path.(self::QUERIES[$path] ?? ''));
            $address = strtr($address, $ids);
            $paths[$path] = "/api/{$address}";
        }

        return $paths;
    }

    private static function one(PDO $database, string $sql, int $team): string
    {
        $found = $database->prepare($sql);
        $found->execute(['team' => $team]);
        $value = $found->fetchColumn();

        return is_scalar($value) ? (string) $value : '0';
    }
}
