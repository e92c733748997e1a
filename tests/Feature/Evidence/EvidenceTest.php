<?php

declare(strict_types=1);

namespace Tests\Feature\Evidence;

use App\Models\TestMethod;
use HonestCore\Agreement\Assessment;
use HonestCore\Agreement\Band;
use HonestCore\Agreement\Bands;
use HonestCore\Agreement\DefaultPolicy;
use HonestCore\Agreement\EvidenceTable;
use HonestCore\Agreement\Scale;
use Tests\Feature\ApiTestCase;

final class EvidenceTest extends ApiTestCase
{
    public function test_pairs_are_readings_of_the_same_composite_by_kit_and_lab(): void
    {
        $area = $this->area();
        $this->pair($area, '5.5', '5.60');
        $this->read($this->sample($area), 'kit-ph', '6.5');
        $this->read($this->sample($area), 'lab-ph', '6.40');
        $evidence = $this->evidence();

        self::assertCount(1, $evidence['pairs']['rows']);
        self::assertSame(
            ['lime', 'lime', true],
            [
                $evidence['pairs']['rows'][0]['reference_action'],
                $evidence['pairs']['rows'][0]['test_action'],
                $evidence['pairs']['rows'][0]['same'],
            ],
        );
        self::assertEqualsWithDelta(-0.1, $evidence['pairs']['rows'][0]['difference'], 1e-9);
        self::assertSame('untested', $evidence['claims']['sort']['computed']['verdict']);
    }

    public function test_each_composite_is_judged_by_the_limits_of_what_grows_there(): void
    {
        $site = $this->site();
        $this->pair($this->area($site, 'blueberry', 'Berry rows'), '5.5', '6.10');
        $this->pair($this->area($site, 'vegetables', 'Bean beds'), '5.5', '6.10');
        $pairs = array_column($this->evidence()['pairs']['rows'], null, 'area');

        self::assertSame(
            [[4, 5.5], 'too high', 'too high'],
            [
                $pairs['Berry rows']['limits'],
                $pairs['Berry rows']['reference_action'],
                $pairs['Berry rows']['test_action'],
            ],
        );
        self::assertSame(
            [[6.2, 7.3], 'lime', 'lime'],
            [
                $pairs['Bean beds']['limits'],
                $pairs['Bean beds']['reference_action'],
                $pairs['Bean beds']['test_action'],
            ],
        );
        self::assertTrue($pairs['Berry rows']['band']['cut']);
    }

    public function test_a_broken_protocol_leaves_the_reading_out_and_shows_the_verdict_with_it_in(): void
    {
        $area = $this->area();
        for ($i = 0; $i < 5; $i++) {
            $this->pair($area, '5.5', '5.60');
        }
        $sample = $this->sample($area);
        $this->read($sample, 'kit-ph', '7.0', ['spilled']);
        $this->read($sample, 'lab-ph', '5.60');
        $evidence = $this->evidence();

        self::assertSame([5, 1], [count($evidence['pairs']['rows']), count($evidence['left_out']['rows'])]);
        self::assertSame(['reagent spilled'], $evidence['left_out']['rows'][0]['flags']);
        self::assertSame(
            [5, 5],
            [$evidence['claims']['sort']['computed']['agree'], $evidence['claims']['sort']['computed']['n']],
        );
        self::assertSame(
            [5, 6],
            [$evidence['claims']['sort']['with_all']['agree'], $evidence['claims']['sort']['with_all']['n']],
        );
    }

    public function test_a_corrected_reading_counts_and_the_old_one_does_not(): void
    {
        $sample = $this->pair($this->area(), '7.0', '5.60');
        $old = $sample->readings()->whereNotNull('band')->value('id');
        $this->api(
            'POST',
            '/samples/{sample}/readings',
            [
                'method_id' => $this->kit()->id,
                'reading' => '5.5',
                'read_on' => '2026-09-04',
                'reader' => 'Ada Fenwright',
                'flags' => [],
                'note' => 'Read upside down.',
                'corrects_id' => $old,
            ],
            ['sample' => $sample->id],
        )->assertCreated();
        $pairs = $this->evidence()['pairs']['rows'];

        self::assertCount(1, $pairs);
        self::assertSame(['5.5'], $pairs[0]['readings']);
    }

    public function test_a_flagged_reading_beside_a_sound_one_does_not_count(): void
    {
        $sample = $this->pair($this->area(), '5.5', '5.60');
        $this->read($sample, 'kit-ph', '7.5', ['cloudy']);
        $evidence = $this->evidence();

        self::assertSame([1, 0], [count($evidence['pairs']['rows']), count($evidence['left_out']['rows'])]);
        self::assertSame(['5.5'], $evidence['pairs']['rows'][0]['readings']);
    }

    public function test_the_page_and_the_command_say_the_same(): void
    {
        $area = $this->area();
        $rows = [
            ['5.0', '5.02'],
            ['5.5', '5.71'],
            ['6.0', '5.94'],
            ['6.5', '6.33'],
            ['6.5', '6.81'],
            ['7.5', '7.40'],
            ['7.0', '7.36'],
            ['6.0', '6.21'],
        ];
        foreach ($rows as [$band, $ph]) {
            $this->pair($area, $band, $ph);
        }
        $notation = implode(
            ',',
            array_map(
                static fn (Band $b): string => implode(':', $b->toRow()),
                $this->kit()->bands ?? [],
            ),
        );
        $csv =
            "sample,reference,test\n".
            implode(
                "\n",
                array_map(static fn (int $i, array $r): string => "s{$i},{$r[1]},{$r[0]}", array_keys($rows), $rows),
            );
        $bands = Bands::parse($notation);
        $command = Assessment::of(
            EvidenceTable::parse($csv, Scale::Absolute, $bands)->samples,
            0,
            DefaultPolicy::for('ph'),
            $bands,
        )->toArray();
        $page = $this->evidence();

        foreach (['verdict', 'agree', 'n', 'lower', 'upper', 'per_class', 'more_pairs'] as $key) {
            self::assertEqualsWithDelta($command['sort'][$key], $page['claims']['sort']['computed'][$key], 1e-12, $key);
        }
        self::assertSame($command['kappa']['matrix'], $page['kappa']['matrix']);
        self::assertSame($command['kappa']['matrix'], $page['matrix']);
        self::assertSame('unable', $page['claims']['rate']['computed']['verdict']);
        self::assertSame('untested', $page['claims']['track']['computed']['verdict']);
    }

    public function test_an_empty_page_is_a_page(): void
    {
        $evidence = $this->evidence();

        self::assertSame([], $evidence['pairs']['rows']);
        self::assertNull($evidence['claims']['sort']['computed']['lower']);
        self::assertNull($evidence['ranges']['test_from']);
        $this->api('GET', '/evidence')
            ->assertOk()
            ->assertJsonPath('rows.0.pairs', 0)
            ->assertJsonPath('rows.0.claims.sort.computed', 'untested');
    }

    private function kit(): TestMethod
    {
        return $this->method('kit-ph');
    }

    /** @return array<string, mixed> */
    private function evidence(): array
    {
        $answer = $this->api('GET', '/evidence/{method}', ids: ['method' => $this->kit()->id])->assertOk()->json();

        return is_array($answer) ? $answer : [];
    }
}
