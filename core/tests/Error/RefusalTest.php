<?php

declare(strict_types=1);

namespace HonestCore\Tests\Error;

use HonestCore\Agreement\Bands;
use HonestCore\Error\BadBoundary;
use HonestCore\Error\BadField;
use HonestCore\Error\BadOption;
use HonestCore\Error\BadRow;
use HonestCore\Error\BadTable;
use HonestCore\Error\CoreError;
use HonestCore\Error\Refusal;
use HonestCore\Geometry\GeoJson;
use HonestCore\Quantity\DepthLayer;
use HonestCore\Response\PlotChanges;
use HonestCore\Table\Fields;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(BadBoundary::class)]
#[CoversClass(BadField::class)]
#[CoversClass(BadOption::class)]
#[CoversClass(BadRow::class)]
#[CoversClass(BadTable::class)]
#[CoversClass(Refusal::class)]
final class RefusalTest extends TestCase
{
    /** @return iterable<string, array{callable(): mixed, string, string, string, array<string, string|int|float>}> */
    public static function refusals(): iterable
    {
        yield 'a row' => [
            static fn () => PlotChanges::parse("group,plot,before,after\ntreated,1,6,7\nshaded,2,6,7\n"),
            'bad_row',
            'no_group',
            'row 3: group is "shaded"; accepted is treated or control.',
            ['place' => 3, 'group' => 'shaded'],
        ];
        yield 'a table' => [
            static fn () => PlotChanges::parse("group,plot,before,after\ncontrol,1,6,7\n"),
            'bad_table',
            'no_plot_treated',
            'no plot was treated; accepted is at least one row of the group treated.',
            [],
        ];
        yield 'an option' => [
            static fn () => Bands::parse('Low:6:0'),
            'bad_option',
            'band_upside_down',
            'bands: Low does not end above its start; accepted is name:lower:upper, parted by commas, such as '.
                'Low:0:6,Mid:6:7.3,High:7.3:.',
            ['band' => 'Low'],
        ];
        yield 'ground' => [
            static fn () => GeoJson::position('ring 2', [200, 10]),
            'bad_boundary',
            'position_lies_off_globe',
            'ring 2: the position 200, 10 lies off the globe; accepted is longitude from -180 to 180, then latitude from '.
                '-90 to 90, in degrees.',
            ['place' => 'ring 2', 'longitude' => 200.0, 'latitude' => 10.0],
        ];
        yield 'a field' => [
            static fn () => (new Fields(['colour' => 3]))->text('colour'),
            'bad_field',
            'no_text',
            '"colour" is missing or of another kind; accepted is text.',
            ['place' => 'colour'],
        ];
    }

    /**
     * @param callable(): mixed $act
     * @param array<string, string|int|float> $facts
     */
    #[DataProvider('refusals')]
    public function test_it_has_a_code_of_its_own_and_its_facts_and_the_words_of_the_catalogue(
        callable $act,
        string $kind,
        string $reason,
        string $words,
        array $facts,
    ): void {
        try {
            $act();
            self::fail('It was taken.');
        } catch (Refusal $refusal) {
            self::assertSame([$kind, $reason], [$refusal->errorCode(), $refusal->reason()]);
            self::assertSame($words, $refusal->getMessage());
            self::assertSame($facts, $refusal->facts);
        }
    }

    public function test_at_a_page_an_option_is_told_without_its_dashes(): void
    {
        try {
            DepthLayer::parse('six inches', '--sampled');
            self::fail('It was taken.');
        } catch (CoreError $refusal) {
            self::assertStringStartsWith('--sampled: "six inches" is no layer;', $refusal->getMessage());
            self::assertStringStartsWith('"six inches" is no layer; accepted is top and bottom', $refusal->forPeople());
        }
    }
}
