<?php

declare(strict_types=1);

namespace HonestCore\Tests\Bench;

use HonestCore\Bench\MethodDefinition;
use HonestCore\Bench\MethodLibrary;
use HonestCore\Bench\MethodStep;
use HonestCore\Bench\StepKind;
use HonestCore\Error\BadDefinition;
use HonestCore\Error\CoreError;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(MethodLibrary::class)]
#[CoversClass(BadDefinition::class)]
final class MethodDefinitionTest extends TestCase
{
    public function test_all_that_ships_can_be_read_and_says_where_it_is_from(): void
    {
        $all = MethodLibrary::all();
        self::assertCount(13, $all);
        foreach ($all as $code => $method) {
            self::assertSame($code, $method->code);
            self::assertStringContainsStringIgnoringCase('common practice', $method->source);
            self::assertNotSame([], $method->hazards, $code);
            self::assertTrue($method->measuresLike(MethodDefinition::of($method->toArray())));
        }
    }

    /**
     * Common practice, one line a fact: method, step, least, aim and most seconds or the amount.
     *
     * @return iterable<string, array{string, string, array{int, int, int}|string}>
     */
    public static function facts(): iterable
    {
        yield 'a capsule is shaken 20 to 30 s' => ['capsule-ph', 'shake', [20, 25, 30]];
        yield 'and settles 1 min' => ['capsule-ph', 'settle', [55, 60, 90]];
        foreach (['capsule-n', 'capsule-p', 'capsule-k'] as $code) {
            yield "{$code}: 1 part soil to 5 of water" => [$code, 'extract', '1 part soil : 5 parts water'];
            yield "{$code}: stirred 1 min" => [$code, 'stir', [55, 60, 90]];
            yield "{$code}: settles up to 24 h" => [$code, 'settle', [600, 3600, 86400]];
            yield "{$code}: waits 10 min" => [$code, 'develop', [570, 600, 660]];
        }
        yield 'an indicator tube takes three 0.5 g scoops' => ['tube-ph', 'soil', 'three 0.5 g scoops'];
        yield 'is shaken 1 min' => ['tube-ph', 'shake', [55, 60, 75]];
        yield 'and settles 12 min' => ['tube-ph', 'settle', [690, 720, 840]];
        yield 'nitrate: extractant to line 7' => ['extract-n', 'extractant', 'to line 7'];
        yield 'nitrate: two 0.25 g scoops of powder' => ['extract-n', 'powder', 'two 0.25 g scoops'];
        yield 'phosphorus: extractant to line 6' => ['extract-p', 'extractant', 'to line 6'];
        yield 'phosphorus: six drops, one tablet' => ['extract-p', 'drops', 'six drops, one tablet'];
        yield 'drop count: four scoops' => ['drops-k', 'soil', 'four scoops'];
        yield 'drop count: clear liquid to line 5' => ['drops-k', 'clear', 'to line 5'];
        yield 'powder tube: 1 mL of dry soil' => ['powder-ph', 'soil', '1 mL'];
        yield 'powder tube: solution to 2.5 mL' => ['powder-ph', 'solution', 'to 2.5 mL'];
        yield 'fizz: 2 tbsp soil, 1 tbsp vinegar' => ['fizz-ph', 'vinegar', '2 tbsp soil, 1 tbsp vinegar'];
    }

    /** @param array{int, int, int}|string $expected */
    #[DataProvider('facts')]
    public function test_steps_are_those_of_practice(string $method, string $code, array|string $expected): void
    {
        $step = array_values(
            array_filter(
                MethodLibrary::get($method)->steps,
                static fn (MethodStep $step): bool => $step->code === $code,
            ),
        )[0];

        self::assertSame($expected, is_string($expected) ? $step->amount : [$step->leastS, $step->aimS, $step->mostS]);
    }

    /** Common practice: more drops mean less potassium, and 25 is low. */
    public function test_the_drop_count_falls(): void
    {
        $scale = MethodLibrary::get('drops-k')->scale;
        self::assertSame('low', $scale->read('25')->band);
        $last = INF;
        for ($drops = 1; $drops <= 60; $drops++) {
            $lower = $scale->bands?->named((string) $scale->read((string) $drops)->band)->lower ?? NAN;
            self::assertLessThanOrEqual($last, $lower, "{$drops} drops");
            $last = $lower;
        }
        self::assertSame('25 drops, low', $scale->read('25')->words());
    }

    /**
     * Common practice: half steps from 4.5 to 7.5, and 4 to 8 for the powder; four bands for nutrients; direction only
     * for the fizz.
     */
    public function test_scales_are_those_of_practice(): void
    {
        $names = static fn (string $code): array => array_column(
            MethodLibrary::get($code)->scale->bands->bands ?? [],
            'name',
        );

        self::assertSame(['4.5', '5.0', '5.5', '6.0', '6.5', '7.0', '7.5'], $names('tube-ph'));
        self::assertSame(['4.0', '8.0'], [$names('powder-ph')[0], $names('powder-ph')[8]]);
        foreach (['capsule-n', 'capsule-p', 'capsule-k', 'extract-n', 'extract-p'] as $code) {
            self::assertCount(4, $names($code));
        }
        self::assertSame(
            ['direction', 2],
            [MethodLibrary::get('fizz-ph')->scale->kind->value, MethodLibrary::get('probe-no3n')->readings],
        );
        $acid = MethodLibrary::get('fizz-ph')->scale->bands?->named('acid');
        self::assertTrue($acid?->contains(5.4) && $acid->contains(6.4), 'a fizz cannot tell 5.4 from 6.4');
    }

    public function test_tap_water_breaks_the_protocol_and_so_does_the_cold(): void
    {
        $kit = MethodLibrary::get('capsule-ph');
        $said = ['water' => 'distilled', 'light' => 'behind', 'soil' => 'dry'];

        self::assertSame([], $kit->breaksOf($said, 20.0));
        self::assertSame(
            ['tap-water', 'temperature'],
            array_column($kit->breaksOf(['water' => 'tap'] + $said, 9.0), 'code'),
        );
        self::assertSame(
            ['against-light', 'wet-soil'],
            array_column($kit->breaksOf(['light' => 'against', 'soil' => 'wet'] + $said, null), 'code'),
        );
        $this->expectException(CoreError::class);
        $this->expectExceptionMessage('Light: it is not said; accepted is behind the reader');
        $kit->breaksOf(['light' => 'dusk'] + $said, 20.0);
    }

    /** @return iterable<string, array{string, string, string|null, string}> method, typed, between, words */
    public static function badReadings(): iterable
    {
        yield 'a band the card lacks' => ['capsule-ph', '5.7', null, 'accepted are 4.5, 5.0'];
        yield 'between bands that are no neighbours' => ['capsule-ph', '5.0', '6.0', 'no neighbours'];
        yield 'between a band and itself' => ['capsule-ph', '5.0', '5.0', 'no neighbours'];
        yield 'between a band and none' => ['capsule-ph', '5.0', '9', 'is no band'];
        yield 'between two signs' => ['fizz-ph', 'acid', 'neither', 'can lie between'];
        yield 'half a drop' => ['drops-k', '2.5', null, 'whole number from 1 to 60'];
        yield 'no drop' => ['drops-k', '0', null, 'whole number from 1 to 60'];
        yield 'too many drops' => ['drops-k', '61', null, 'whole number from 1 to 60'];
        yield 'a decimal comma' => ['pen-ph', '6,1', null, 'is not a number'];
        yield 'off the scale' => ['pen-ph', '14.2', null, 'from 0 to 14'];
        yield 'infinite' => ['pen-ph', 'INF', null, 'is not a number'];
        yield 'a negative height' => ['jar-texture', '-1', null, 'from 0 to 1000'];
    }

    #[DataProvider('badReadings')]
    public function test_a_reading_that_the_scale_lacks_is_refused_in_words(
        string $method,
        string $typed,
        ?string $between,
        string $words,
    ): void {
        $this->expectException(CoreError::class);
        $this->expectExceptionMessage($words);
        MethodLibrary::get($method)->scale->read($typed, $between);
    }

    public function test_between_two_bands_is_told_lower_band_first(): void
    {
        $reading = MethodLibrary::get('capsule-ph')->scale->read('6.0', '5.5');

        self::assertSame(['5.5', '6.0', 'between 5.5 and 6.0'], [$reading->band, $reading->between, $reading->words()]);
        self::assertSame(
            '5.0',
            MethodLibrary::get('pen-ph')->scale->read(' 5.0 ')->words(),
            'digits stay as they were typed',
        );
    }

    public function test_a_changed_scale_is_another_test_and_a_changed_colour_is_not(): void
    {
        $kit = MethodLibrary::get('capsule-ph');
        $given = $kit->toArray();
        $colour = $range = $given;
        $colour['scale']['bands'][0]['colour'] = [10, 0, 0];
        $colour['steps'][0]['do'] = 'Something else';
        $range['scale']['bands'][0]['lower'] = 4.0;

        self::assertTrue($kit->measuresLike(MethodDefinition::of($colour)));
        self::assertFalse($kit->measuresLike(MethodDefinition::of($range)));
        self::assertFalse($kit->measuresLike(MethodLibrary::get('powder-ph')));
    }

    /** @return iterable<string, array{string, callable(array<string, mixed>): array<string, mixed>, string}> */
    public static function faults(): iterable
    {
        $at = static fn (string $path, mixed $value): callable => static function (array $given) use (
            $path,
            $value,
        ): array {
            $place = &$given;
            foreach (explode('.', $path) as $key) {
                $place = &$place[$key];
            }
            $place = $value;

            return $given;
        };
        yield 'no name' => [
            'capsule-ph',
            static fn (array $given): array => array_diff_key($given, ['name' => 0]),
            'name: it is missing',
        ];
        yield 'a field too many' => [
            'capsule-ph',
            $at('colour_of_case', 'red'),
            'colour_of_case: there is no such field',
        ];
        yield 'an unknown analyte' => ['capsule-ph', $at('analyte', 'gold'), 'analyte: "gold" will not do'];
        yield 'times out of order' => [
            'capsule-ph',
            $at('steps.2.aim_s', 40),
            'steps 3, aim_s: 40 does not lie between 20 and 30',
        ];
        yield 'a negative time' => ['capsule-ph', $at('steps.2.least_s', -1), 'steps 3, least_s: -1 will not do'];
        yield 'half a second' => ['capsule-ph', $at('steps.2.least_s', 1.5), 'whole number'];
        yield 'an unknown break' => ['capsule-ph', $at('steps.2.short', 'sneezed'), 'a protocol break'];
        yield 'no reading at the end' => [
            'capsule-ph',
            static fn (array $given): array => ['steps' => array_slice($given['steps'], 0, 3)] + $given,
            'the last step reads nothing',
        ];
        yield 'a wait at the start' => [
            'capsule-ph',
            static fn (array $given): array => ['steps' => array_slice($given['steps'], 3)] + $given,
            'nothing begins or ends this wait',
        ];
        yield 'two steps of one code' => ['capsule-ph', $at('steps.1.code', 'fill'), 'a code stands twice'];
        yield 'bands that overlap' => ['capsule-ph', $at('scale.bands.1.lower', 4.5), 'overlaps'];
        yield 'a colour of two numbers' => [
            'capsule-ph',
            $at('scale.bands.1.colour', [50, 2]),
            'scale, bands 2, colour',
        ];
        yield 'a colour too light' => ['capsule-ph', $at('scale.bands.1.colour', [150, 2, 3]), 'from 0 to 100'];
        yield 'an unknown scale' => ['capsule-ph', $at('scale.kind', 'stars'), 'scale, kind: "stars" will not do'];
        yield 'a gap in the table of drops' => ['drops-k', $at('scale.table.1.from', 10), 'this one begins at 9'];
        yield 'drops that turn' => ['drops-k', $at('scale.table.2.band', 'high'), 'the direction turns'];
        yield 'drops that end early' => ['drops-k', $at('scale.most', 70), 'does not reach the most drops'];
        yield 'a scale upside down' => ['pen-ph', $at('scale.highest', -3), 'a scale that ends above its start'];
        yield 'a cold spell' => ['pen-ph', $at('celsius', ['lowest' => 30, 'highest' => 20]), 'celsius'];
        yield 'one condition twice' => [
            'capsule-ph',
            $at('conditions.1.code', 'water'),
            'conditions: a code stands twice',
        ];
        yield 'a jar that reads once' => [
            'jar-texture',
            static fn (array $given): array => ['steps' => [...array_slice($given['steps'], 0, 2), $given['steps'][7]]] +
                $given,
            'the heights sand, silt and all',
        ];
        yield 'no object' => ['capsule-ph', $at('scale', [1, 2]), 'it is no object'];
        yield 'steps that are none' => ['capsule-ph', $at('steps', 'shake well'), 'a list of 1 to 30'];
    }

    /** @param callable(array<string, mixed>): array<string, mixed> $fault */
    #[DataProvider('faults')]
    public function test_a_faulty_definition_is_refused_with_its_place(
        string $method,
        callable $fault,
        string $words,
    ): void {
        $this->expectException(CoreError::class);
        $this->expectExceptionMessage($words);
        MethodDefinition::of($fault(MethodLibrary::get($method)->toArray()));
    }

    /** Whatever a definition holds, it is taken or refused in words; nothing else comes out. */
    public function test_definitions_of_chance_are_taken_or_refused_in_words(): void
    {
        mt_srand(11);
        $junk = [null, true, -1, 0, 1.5, 1e12, '', 'shake', [], ['a' => 1], [[1]], NAN, str_repeat('x', 300)];
        $taken = 0;
        $all = array_values(MethodLibrary::all());
        for ($i = 0; $i < 3000; $i++) {
            /** @var array<string, mixed> $given */
            $given = (array) json_decode((string) json_encode($all[$i % count($all)]->toArray()), true);
            $place = &$given;
            for ($depth = mt_rand(1, 5); $depth > 0 && is_array($place) && $place !== []; $depth--) {
                $place = &$place[array_rand($place)];
            }
            $place = $junk[array_rand($junk)];
            unset($place);
            if (! is_array($given)) {
                continue;
            }
            try {
                $method = MethodDefinition::of(self::named($given));
                $taken++;
                self::assertSame(StepKind::Read, $method->steps[count($method->steps) - 1]->kind);
            } catch (CoreError $error) {
                self::assertStringContainsString(
                    '; accepted',
                    $error->getMessage().(str_contains($error->getMessage(), 'must be') ? '; accepted' : ''),
                );
            }
        }
        self::assertGreaterThan(20, $taken, 'some changes are harmless');
    }

    /**
     * @param array<mixed> $given
     * @return array<string, mixed>
     */
    private static function named(array $given): array
    {
        return array_filter($given, is_string(...), ARRAY_FILTER_USE_KEY);
    }
}
