<?php

declare(strict_types=1);

namespace HonestCore\Tests\Program;

use HonestCore\Program\GrowersWords;
use HonestCore\Program\SiteRates;
use HonestCore\Table\Fields;
use PHPUnit\Framework\TestCase;

final class GrowersWordsTest extends TestCase
{
    public function test_three_parts_in_plain_words_and_in_the_units_of_the_site(): void
    {
        $us = $this->words('us');
        $part = $us->parts()[0];
        self::assertSame(['Sedge meadow', 'Fen End', '1 Dyke', 'corn, grain', '1 acre'], [
            $us->area(), $us->site(), $us->address(), $us->crop(), $us->size(),
        ]);
        self::assertSame('', $us->partName($part));
        self::assertSame('Sample FN-2026-0001, taken from 0 to 6 inches deep.', $us->sample($part));
        self::assertSame('pH', $us->found($part)[0]['name']);
        self::assertSame('5.60, give or take 0.10', $us->found($part)[0]['value']);
        self::assertSame('Wanted between 6.3 and 7.3.', $us->found($part)[0]['wants']);
        // 4 to 9 is the scale.
        self::assertEqualsWithDelta(1.6 / 5, $us->found($part)[0]['at'], 1e-9);
        $todo = implode(' ', array_column($us->toDo($part), 'how_much'));
        self::assertStringContainsString('lb on each 100 square feet', $todo);
        self::assertStringNotContainsString('kg', $todo);

        $metric = $this->words('metric');
        self::assertSame('0.4 hectares', $metric->size());
        $text = $metric->sample($metric->parts()[0]).implode(' ', array_column($metric->toDo($metric->parts()[0]), 'how_much'));
        self::assertStringContainsString('0 to 15 cm deep', $text);
        self::assertStringContainsString('g on each square metre', $text);
        self::assertStringContainsString('needs 0 kg/ha', implode(' ', $this->words('metric', 'alfalfa')->none(
            $this->words('metric', 'alfalfa')->parts()[0],
        )));
        self::assertDoesNotMatchRegularExpression('/\b(lb|acres?|inch(es)?|feet|tons)\b/', $text);
    }

    public function test_cautions_stand_once_beside_their_product(): void
    {
        $words = $this->words('us', 'fruiting', choices: ['yield' => 10]);
        $part = $words->parts()[0];
        $with = [];
        foreach ($words->toDo($part) as $one) {
            $with[$one['what']] = ($with[$one['what']] ?? 0) + ($one['cautions'] === [] ? 0 : 1);
        }
        self::assertNotSame([], $with);
        self::assertSame([1], array_values(array_unique($with)));
        self::assertGreaterThan(count($with), count($words->toDo($part)), 'nitrogen goes on in dressings');
    }

    public function test_what_is_not_known_and_what_goes_against_the_figures_is_said(): void
    {
        $words = $this->words('us', tested: ['k' => 300.0, 'cec' => 8.0], choices: ['overrides' => [
            ['part' => 0, 'key' => 'n', 'lb_per_acre' => 60, 'reason' => 'Clover was ploughed under in April.'],
        ]]);
        $part = $words->parts()[0];
        self::assertStringContainsString('Phosphate: not known', implode(' ', $words->unknown($part)));
        self::assertStringContainsString('No potassium', implode(' ', $words->none($part)));
        self::assertSame(
            ['Nitrogen, N: set to 60 lb an acre against 150 lb an acre. Clover was ploughed under in April.'],
            $words->overrides($part),
        );
        self::assertSame([], $words->first($part));
    }

    public function test_a_small_amount_on_small_ground_is_not_written_as_nothing(): void
    {
        $said = GrowersWords::of(['site' => ['units' => 'us'], 'parts' => []])->toDo(new Fields([
            'area_m2' => 9.290304,
            'amounts' => [['product' => 'b', 'name' => 'Borate', 'grade' => '0-0-0', 'bag_lb' => 50.0, 'cautions' => []]],
            'days' => [['product' => 'b', 'on' => '2027-06-01', 'lb_per_acre' => 2.0, 'what' => 'In season']],
        ]));

        // By hand: 100 sq ft is 1/435.6 acre, and 2 / 435.6 = 0.0045914 lb.
        self::assertSame('0.0046 lb in all (0.0046 lb on each 100 square feet), 0.000092 bags of 50 lb', $said[0]['how_much']);
    }

    public function test_ground_that_was_not_measured_is_named(): void
    {
        self::assertSame('', $this->words('us')->unmeasured());
        self::assertSame('3 of 4 parts were not measured: nothing is said of them.', GrowersWords::of([
            'site' => ['units' => 'us'],
            'parts_planned' => 4,
            'parts' => [[]],
        ])->unmeasured());
    }

    public function test_what_stops_first_comes_first(): void
    {
        $words = $this->words('us', more: ['metals' => ['pb' => [[95.0, false]]]]);
        self::assertStringContainsString('Lead', $words->first($words->parts()[0])[0]['what']);
    }

    /**
     * @param array<string, float> $tested
     * @param array<string, mixed> $choices
     * @param array<string, mixed> $more
     */
    private function words(
        string $units,
        string $crop = 'corn',
        array $tested = ['p' => 15.0, 'k' => 90.0, 'cec' => 8.0],
        array $choices = [],
        array $more = [],
    ): GrowersWords {
        $part = Made::program(Made::part(tested: $tested, more: $more), $crop, $choices)
            ->toArray(units: SiteRates::of($units));

        return GrowersWords::of([
            'area' => ['name' => 'Sedge meadow', 'use' => 'corn', 'area_m2' => 4046.8564224],
            'site' => ['name' => 'Fen End', 'address' => '1 Dyke', 'units' => $units, 'timezone' => 'America/New_York'],
            'crop' => ['name' => $crop === 'corn' ? 'corn, grain' : $crop],
            'parts' => [$part],
        ]);
    }
}
