<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Record\VerifyRecord;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\RateLimiter;
use PHPUnit\Framework\Attributes\TestWith;
use Tests\Support\OddRequests;

/**
 * Thousands of malformed requests over every route, those that write before all: each is answered in words, none by a
 * breakdown, and what is refused stores nothing. SEED and REQUESTS choose others; the seed is said when one fails.
 */
final class OddRequestsTest extends ApiTestCase
{
    /** Of each seed. */
    private const REQUESTS = 5_000;

    /** Routes that stream for as long as a device sends, or that leave the page. */
    private const LEFT_OUT = ['/runs/{run}/capture', '/session'];

    #[TestWith([20261128])]
    #[TestWith([7])]
    public function test_no_odd_request_breaks_anything(int $seed): void
    {
        $odd = new OddRequests((int) (getenv('SEED') ?: $seed));
        $area = $this->area();
        foreach ([['5.5', '5.52'], ['6.5', '6.60']] as [$band, $ph]) {
            $this->pair($area, $band, $ph);
        }
        $this->actingAs($this->reviewer);
        [$broken, $statuses, $halves] = [[], [], []];
        $requests = (int) (getenv('REQUESTS') ?: self::REQUESTS);
        for ($i = 0; $i < $requests; $i++) {
            [$method, $path, $query, $body] = $odd->next();
            if (in_array($path, self::LEFT_OUT, true)) {
                continue;
            }
            if ($i % 500 === 0) {
                RateLimiter::clear(md5('api'.$this->reviewer->id));
            }
            $url = '/api'.preg_replace('/{\w+}/', $i % 23 === 0 ? '9223372036854775808' : (string) ($i % 7), $path);
            $before = self::rows();
            $response = $this->call(
                $method,
                $query === '' ? $url : "{$url}?{$query}",
                server: ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'],
                content: $method === 'GET' ? '' : $body,
            );
            $status = $response->getStatusCode();
            $statuses[$status] = ($statuses[$status] ?? 0) + 1;
            if ($status >= 500) {
                $error = $response->exception ?? null;
                $place = $error === null ? '' : $error::class.' '.mb_substr($error->getMessage(), 0, 160).' at '.
                    basename($error->getFile()).':'.$error->getLine();
                $broken["{$method} {$path} {$place}"] ??= "{$url}?{$query} ".mb_substr($body, 0, 300);
            } elseif ($status >= 400 && self::rows() !== $before) {
                $halves["{$method} {$path}"] ??= mb_substr($body, 0, 300);
            }
        }

        self::assertSame([], $broken, "seed {$odd->seed}");
        self::assertSame([], $halves, "refused, and something was stored; seed {$odd->seed}");
        self::assertGreaterThan($requests / 4, $statuses[422] ?? 0, (string) json_encode($statuses));
        self::assertGreaterThan(0, $statuses[200] ?? 0);
        self::assertSame([], DB::select('PRAGMA foreign_key_check'));
        self::assertNull(app(VerifyRecord::class)($this->reviewer->team_id)->fault);
    }

    /** How many rows there are, all tables together. */
    private static function rows(): int
    {
        static $sql = '';
        if ($sql === '') {
            // What is computed once an answer is out is nothing that a request stored; that it was refused is noted.
            $tables = DB::table('sqlite_master')
                ->where('type', 'table')
                ->whereNotIn('name', [
                    'stirred', 'evidence_summaries', 'sampling_figures', 'sqlite_stat1', 'sqlite_sequence', 'account_events',
                ])
                ->pluck('name')
                ->all();
            $sql = 'SELECT '.implode(' + ', array_map(
                static fn (mixed $table): string => '(SELECT COUNT(*) FROM "'.(is_string($table) ? $table : '').'")',
                $tables,
            ));
        }

        return (int) DB::scalar($sql);
    }
}
