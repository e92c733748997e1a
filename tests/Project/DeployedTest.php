<?php

declare(strict_types=1);

namespace Tests\Project;

use PHPUnit\Framework\TestCase;
use Tests\Browser\Servers;
use Tests\Support\ApiDocument;
use Tests\Support\HttpPerson;
use Tests\Support\OddRequests;

/**
 * The application behind nginx and php-fpm as deploy/ sets them up: what the set-up adds, and what must hold behind it
 * too. REQUESTS and SEED ask for more odd requests, and others.
 */
final class DeployedTest extends TestCase
{
    private const REQUESTS = 400;

    private static Servers $servers;

    public static function setUpBeforeClass(): void
    {
        putenv('APP_KEY=base64:'.base64_encode(random_bytes(32)));
        self::$servers = Servers::deployed();
    }

    public static function tearDownAfterClass(): void
    {
        self::$servers->stop();
    }

    public function test_pages_and_files_are_compressed_kept_and_guarded(): void
    {
        $asset = basename((glob(dirname(__DIR__, 2).'/public/build/assets/*.js') ?: [''])[0]);
        foreach (
            [
                '/' => ['no-cache, private', 200],
                "/build/assets/{$asset}" => ['public, max-age=31536000, immutable', 200],
                '/build/assets/none.js' => ['public, max-age=31536000, immutable', 404],
                '/sw.js' => ['no-cache', 200],
                '/api/welcome' => ['no-cache, private', 200],
                '/index.php' => ['', 404],
                '/.env' => ['no-cache, private', 404],
            ] as $path => [$kept, $expected]
        ) {
            $person = new HttpPerson(self::$servers->address);
            [$status] = $person->ask('GET', $path);
            self::assertSame($expected, $status, $path);
            self::assertSame(['nginx'], $person->headers['server'] ?? [], "{$path} names no version");
            self::assertArrayNotHasKey('x-powered-by', $person->headers);
            if ($kept !== '') {
                self::assertSame([$kept], $person->headers['cache-control'] ?? [], $path);
                self::assertSame(['nosniff'], $person->headers['x-content-type-options'] ?? [], $path);
                self::assertSame(['DENY'], $person->headers['x-frame-options'] ?? [], $path);
                self::assertStringContainsString("default-src 'none'", $person->headers['content-security-policy'][0] ?? '');
            }
        }
        exec('curl -s -H "Accept-Encoding: gzip" -D - -o /dev/null '.self::$servers->address."/build/assets/{$asset}", $lines);
        self::assertContains('Content-Encoding: gzip', array_map(trim(...), $lines));
    }

    public function test_what_is_too_large_is_refused_in_words_and_a_program_that_is_gone_is_said(): void
    {
        $person = new HttpPerson(self::$servers->address);
        [$status, $said] = $person->ask('POST', '/api/session', str_repeat('x', 13_000_000));
        self::assertSame(413, $status);
        self::assertStringContainsString('Nothing was stored', $said);
        self::$servers->killWorkers();
        [$status, $said] = $person->ask('GET', '/api/welcome');
        self::assertSame(503, $status);
        self::assertStringContainsString('does not answer just now', $said);
        self::$servers->kill();
        self::$servers->startAgain();
        self::assertSame(200, $person->ask('GET', '/api/welcome')[0]);
    }

    public function test_no_odd_request_breaks_anything(): void
    {
        $odd = new OddRequests((int) (getenv('SEED') ?: 20261128));
        $person = new HttpPerson(self::$servers->address);
        self::assertSame(200, $person->signIn('tobias@demo.example'));
        $statuses = [];
        for ($i = 0; $i < (int) (getenv('REQUESTS') ?: self::REQUESTS); $i++) {
            [$method, $path, $query, $body] = $odd->next();
            if (in_array($path, ['/session', '/runs/{run}/capture'], true)) {
                continue;
            }
            $url = '/api'.preg_replace('/{\w+}/', (string) ($i % 7), $path).($query === '' ? '' : "?{$query}");
            [$status, $said] = $person->ask($method, $url, $method === 'GET' ? '' : $body);
            self::assertTrue($status > 0 && $status < 500, "{$method} {$url} {$status} ".mb_substr($said.$body, 0, 500));
            $statuses[$status] = ($statuses[$status] ?? 0) + 1;
            if ($status === 429) {
                self::$servers->forgetLimits();
            }
        }
        self::assertGreaterThan(50, $statuses[422] ?? 0, (string) json_encode($statuses));
        $verified = self::$servers->artisan('record:verify');
        self::assertSame(0, $verified->status, $verified->output);
    }

    public function test_every_route_is_shut_to_another_team(): void
    {
        $added = self::$servers->artisan('person:add', 'Moor crew', 'Ila Moor', 'ila@moor.example', 'reviewer');
        preg_match('/may sign in with: (\S+)/', $added->output, $password);
        $stranger = new HttpPerson(self::$servers->address);
        self::assertSame(200, $stranger->signIn('ila@moor.example', $password[1] ?? ''));
        $before = self::counts();
        $asked = 0;
        foreach (get_object_vars(ApiDocument::get()->paths ?? (object) []) as $path => $methods) {
            if (! str_contains($path, '{') || preg_match('#^/(schools|practice-rounds|invitations)/#', $path) === 1) {
                continue;
            }
            foreach (array_intersect(array_keys(get_object_vars($methods)), ['get', 'post', 'put', 'delete']) as $method) {
                // Formats are words; every id is one of the demo's own team, which has number 1 of everything it has.
                $url = '/api'.preg_replace(['/{format}/', '/{\w+}/'], ['csv', '1'], $path);
                [$status, $said] = $stranger->ask(strtoupper($method), $url, $method === 'get' ? '' : '{}');
                self::assertContains($status, [403, 404], "{$method} {$url}: ".mb_substr($said, 0, 200));
                $asked++;
            }
        }
        self::assertGreaterThan(60, $asked);
        self::assertSame($before, self::counts(), 'nothing of the other team was changed');
    }

    /** @return list<array<mixed>> rows of the demo's team, as hashes of what they say */
    private static function counts(): array
    {
        $database = self::$servers->database();
        $counts = [];
        foreach (['areas', 'plans', 'samples', 'portions', 'readings', 'methods', 'labs', 'landmarks', 'verdicts'] as $table) {
            $rows = $database->query("SELECT * FROM {$table} WHERE team_id = 1 ORDER BY id");
            $counts[] = [$table, hash('sha256', serialize($rows === false ? [] : $rows->fetchAll(\PDO::FETCH_NUM)))];
        }

        return $counts;
    }
}
