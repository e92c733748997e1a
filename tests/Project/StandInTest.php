<?php

declare(strict_types=1);

namespace Tests\Project;

use PHPUnit\Framework\TestCase;
use Tests\Support\StandInProcess;

/** The simulated courier and lab, spoken to as a real one would be: over HTTP, in a process of its own. */
final class StandInTest extends TestCase
{
    private StandInProcess $standIn;

    protected function setUp(): void
    {
        $this->standIn = StandInProcess::start();
    }

    protected function tearDown(): void
    {
        $this->standIn->stop();
    }

    public function test_a_consignment_is_announced_once_and_goes_through_its_days(): void
    {
        [$status, $first] = $this->ask('POST', 'consignments', $this->consignment('a', ['QH26-01L-X']));
        [, $again] = $this->ask('POST', 'consignments', $this->consignment('a', ['QH26-01L-X']));
        self::assertSame([201, $first['id']], [$status, $again['id']]);
        $seen = [];
        for ($day = 0; $day < 20; $day++) {
            $state = $this->ask('GET', "consignments/{$first['id']}")[1]['state'];
            $seen[$state] = ($seen[$state] ?? 0) + 1;
            $this->ask('POST', 'clock', ['advance_days' => 1]);
        }
        self::assertSame(['accepted', 'in_transit', 'received', 'measuring', 'reported'], array_keys($seen));
        self::assertSame(1, $seen['accepted']);
        self::assertSame(1, $seen['in_transit'], 'two days on the way: one announced, one travelling');
        self::assertGreaterThanOrEqual(4, $seen['measuring'], 'five working days');
    }

    public function test_its_state_outlives_the_request_and_reports_never_change(): void
    {
        $this->ask('POST', 'clock', ['shape' => 'table', 'slip' => 'none']);
        $id = $this->ask('POST', 'consignments', $this->consignment('b', ['QH26-01L-X', 'QH26-02L-X']))[1]['id'];
        self::assertSame(
            404,
            $this->ask('GET', "consignments/{$id}/reports/report-{$id}.csv")[0],
            'not before it is reported',
        );
        $this->ask('POST', 'clock', ['advance_days' => 30]);
        $name = $this->ask('GET', "consignments/{$id}")[1]['reports'][0];
        $report = $this->text("consignments/{$id}/reports/{$name}");
        self::assertSame($report, $this->text("consignments/{$id}/reports/{$name}"));
        self::assertMatchesRegularExpression(
            '/^sample,pH \(1:1 water\)\nQH26-01L-X,\d\.\d\d\nQH26-02L-X,\d\.\d\d\nLAB CHECK 6.5,6\.\d\d\n$/',
            $report,
        );
        self::assertSame(404, $this->ask('GET', "consignments/{$id}/reports/..%2F..%2Fstate")[0]);
    }

    public function test_noise_is_what_it_says_and_the_same_soil_has_the_same_truth(): void
    {
        $codes = array_map(static fn (int $n): string => sprintf('QH26-%03dL-X', $n), range(1, 400));
        $soils = array_map(
            static fn (string $code): array => [
                'code' => $code,
                'tests' => ['ph'],
            ],
            $codes,
        );
        $this->ask('POST', 'clock', ['shape' => 'table', 'slip' => 'none']);
        $order = ['portions' => $soils] + $this->consignment('c', []);
        self::assertSame(
            200,
            $this->ask('POST', 'soils', [
                'reference' => $order['reference'],
                'soils' => array_fill_keys($codes, ['token' => 'one soil', 'ph' => 6.2]),
            ])[0],
        );
        self::assertSame(422, $this->ask('POST', 'soils', ['reference' => 'x', 'soils' => ['A' => ['ph' => 6]]])[0]);
        $id = $this->ask('POST', 'consignments', $order)[1]['id'];
        $this->ask('POST', 'clock', ['advance_days' => 30]);
        $rows = array_map(
            str_getcsv(...),
            array_slice(explode("\n", trim($this->text("consignments/{$id}/reports/report-{$id}.csv"))), 1, 400),
        );
        $values = array_map(static fn (array $row): float => (float) $row[1], $rows);
        $mean = array_sum($values) / 400;
        $sd = sqrt(array_sum(array_map(static fn (float $value): float => ($value - $mean) ** 2, $values)) / 399);
        // Four standard errors: 0.05 / sqrt(400) for the mean, 0.05 / sqrt(800) for the spread.
        self::assertEqualsWithDelta(6.2, $mean, 4 * 0.0025);
        self::assertEqualsWithDelta(0.05, $sd, 4 * 0.0018);
    }

    /**
     * The reference decides: a quarter of the consignments have two samples exchanged, a quarter are shifted, half of those
     * slips are told.
     */
    public function test_slips_and_shapes_come_now_and_then_and_always_the_same_for_a_reference(): void
    {
        [$seen, $ids] = [[], []];
        for ($i = 0; $i < 120; $i++) {
            $ids[$i] = $this->ask(
                'POST',
                'consignments',
                $this->consignment("consignment {$i}", ['QH26-01L-X', 'QH26-02L-X']),
            )[1]['id'];
        }
        for ($day = 0; $day < 9; $day++) {
            $this->ask('POST', 'clock', ['advance_days' => 1]);
            foreach ($ids as $i => $id) {
                $said = $this->ask('GET', "consignments/{$id}")[1];
                if ($said['state'] === 'reported' && ! isset($seen[$i])) {
                    $report = $this->text("consignments/{$id}/reports/{$said['reports'][0]}");
                    $seen[$i] = [
                        str_contains($said['word'], 'a corrected report follows'),
                        $report[0] === '{' ? 'document' : (str_starts_with($report, 'sample') ? 'table' : 'titled'),
                    ];
                }
            }
        }
        self::assertCount(120, $seen);
        $told = count(array_filter(array_column($seen, 0)));
        self::assertGreaterThan(15, $told);
        self::assertLessThan(48, $told);
        foreach (array_count_values(array_column($seen, 1)) as $shape => $n) {
            self::assertGreaterThan(20, $n, $shape);
        }
    }

    public function test_one_is_lost_one_delayed_and_the_others_are_not(): void
    {
        $ids = array_map(
            fn (string $name): string => $this->ask(
                'POST',
                'consignments',
                $this->consignment($name, ['QH26-01L-X']),
            )[1]['id'],
            ['d', 'e', 'f'],
        );
        $this->ask('POST', 'clock', ['trouble' => 'lose']);
        $this->ask('POST', 'clock', ['advance_days' => 1]);
        self::assertSame('lost', $this->ask('GET', "consignments/{$ids[0]}")[1]['state']);
        $this->ask('POST', 'clock', ['trouble' => 'delay']);
        $this->ask('POST', 'clock', ['advance_days' => 1]);
        self::assertSame(
            ['in_transit', 'received'],
            [
                $this->ask('GET', "consignments/{$ids[1]}")[1]['state'],
                $this->ask('GET', "consignments/{$ids[2]}")[1]['state'],
            ],
        );
        $this->ask('POST', 'clock', ['advance_days' => 30]);
        self::assertSame(
            ['lost', 'reported', 'reported'],
            array_map(fn (string $id): string => $this->ask('GET', "consignments/{$id}")[1]['state'], $ids),
        );
    }

    public function test_what_it_cannot_take_is_refused_in_words_and_changes_nothing(): void
    {
        $before = $this->ask('GET', 'clock')[1]['day'];
        foreach (
            [
                ['POST', 'consignments', [], 422],
                ['POST', 'consignments', $this->consignment('g', []), 422],
                [
                    'POST',
                    'consignments',
                    ['portions' => [['code' => '../x', 'tests' => []]]] + $this->consignment('g', []),
                    422,
                ],
                ['POST', 'consignments', ['transit_days' => 'two'] + $this->consignment('g', ['QH26-01L-X']), 422],
                ['POST', 'clock', ['advance_days' => -3], 422],
                ['POST', 'clock', ['trouble' => 'explode'], 422],
                ['POST', 'clock', ['slip' => 'burn'], 422],
                ['POST', 'consignments/P000/recheck', [], 404],
                ['GET', 'consignments/P000', null, 404],
                ['GET', 'nowhere', null, 404],
                ['DELETE', 'clock', null, 404],
            ] as [$method, $path, $body, $wanted]
        ) {
            [$status, $answer] = $this->ask($method, $path, $body);
            self::assertSame($wanted, $status, "{$method} {$path}");
            self::assertNotSame('', $answer['message']);
        }
        self::assertSame($before, $this->ask('GET', 'clock')[1]['day']);
    }

    /**
     * @param list<string> $codes
     * @return array<string, mixed>
     */
    private function consignment(string $reference, array $codes): array
    {
        return [
            'reference' => $reference,
            'transit_days' => 2,
            'turnaround_days' => 5,
            'portions' => array_map(static fn (string $code): array => ['code' => $code, 'tests' => ['ph']], $codes),
        ];
    }

    /**
     * @param array<string, mixed>|null $body
     * @return array{int, array<string, mixed>}
     */
    private function ask(string $method, string $path, ?array $body = null): array
    {
        $context = stream_context_create([
            'http' => [
                'method' => $method,
                'ignore_errors' => true,
                'header' => 'Content-Type: application/json',
                'content' => $body === null ? '' : json_encode($body, JSON_THROW_ON_ERROR),
            ],
        ]);
        $said = (string) file_get_contents("{$this->standIn->address}/{$path}", false, $context);
        preg_match('/ (\d{3})/', $http_response_header[0] ?? '', $status);

        return [(int) ($status[1] ?? 0), (array) json_decode($said, true)];
    }

    private function text(string $path): string
    {
        return (string) file_get_contents("{$this->standIn->address}/{$path}");
    }
}
