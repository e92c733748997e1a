<?php

declare(strict_types=1);

namespace HonestCore\Tests\Table;

use HonestCore\Amounts\NutrientQuestion;
use HonestCore\Amounts\NutrientRate;
use HonestCore\Error\CoreError;
use HonestCore\Table\ChangedTable;
use HonestCore\Table\RuleTable;
use PHPUnit\Framework\TestCase;

final class ChangedTableTest extends TestCase
{
    public function test_a_figure_of_a_team_stands_in_the_place_of_the_one_that_ships(): void
    {
        $own = ChangedTable::of('nutrient-limits', ['p.corn.0' => 25, 'removal.corn.0' => 0.3]);
        $rate = RuleTable::replacing(
            ['nutrient-limits' => $own->table],
            static fn (): ?float => NutrientRate::of(NutrientQuestion::of('p', 15.0, 'corn', yield: 100.0))->lbPerAcre,
        );
        self::assertEqualsWithDelta(10 * 20 / 4 + 30, $rate, 1e-9);
        self::assertSame(['p.corn.0' => 25.0, 'removal.corn.0' => 0.3], $own->changes);
        self::assertEqualsWithDelta(
            5 * 20 / 4 + 35,
            NutrientRate::of(NutrientQuestion::of('p', 15.0, 'corn', yield: 100.0))->lbPerAcre,
            1e-9,
        );
    }

    public function test_every_table_that_may_be_replaced_has_figures_and_stays_itself_without_changes(): void
    {
        foreach (array_keys(ChangedTable::REPLACEABLE) as $name) {
            $figures = ChangedTable::figures($name);
            self::assertNotSame([], $figures, $name);
            self::assertEquals(RuleTable::shipped($name), ChangedTable::of($name, $figures)->table, $name);
        }
    }

    public function test_a_figure_is_called_by_the_words_of_the_field(): void
    {
        self::assertSame('phosphorus, corn, critical level, ppm', ChangedTable::label('p.corn.0'));
        self::assertSame('potato, pH, sized for', ChangedTable::label('crops.potato.ph.1'));
        self::assertSame('SMP buffer pH 6.5, to pH 6.5, tons/acre', ChangedTable::label('rows.3.2'));
        self::assertSame('zn, limits, dtpa', ChangedTable::label('analytes.zn.limits.dtpa'));
        foreach (array_keys(ChangedTable::REPLACEABLE) as $name) {
            $labels = array_map(ChangedTable::label(...), array_keys(ChangedTable::figures($name)));
            self::assertSame([], array_filter($labels, static fn (string $label): bool => str_contains($label, '_')), $name);
        }
    }

    public function test_what_is_no_figure_of_it_is_refused(): void
    {
        foreach (
            [
                ['nutrient-limits', ['p.hops.0' => 5]], ['nutrient-limits', ['source' => 5]], ['nutrient-limits', ['p.corn.0' => '5']],
                ['nutrient-limits', ['p.corn.0' => -5]], ['nutrient-limits', ['p.corn.0' => 60]],
                ['lime-smp', ['rows.3.2' => 0.5]], ['lime-smp', ['rows.3.0' => 6.4]],
                ['wanted-crops', ['crops.potato.ph.1' => 9.0]],
                ['analytes', ['analytes.0' => 1]], ['nutrient-limits', ['p.corn.0' => INF]],
            ] as [$name, $changes]
        ) {
            try {
                ChangedTable::of($name, $changes);
                self::fail(json_encode([$name, array_keys($changes)], JSON_THROW_ON_ERROR).' was taken.');
            } catch (CoreError $error) {
                self::assertStringContainsString('able', $error->forPeople());
            }
        }
    }
}
