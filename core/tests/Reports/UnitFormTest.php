<?php

declare(strict_types=1);

namespace HonestCore\Tests\Reports;

use HonestCore\Reports\ColumnContext;
use HonestCore\Reports\ColumnName;
use HonestCore\Reports\UnitForm;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What a unit says of the element it counts, in the name of a column or in a row of units under it. */
#[CoversClass(UnitForm::class)]
#[CoversClass(ColumnName::class)]
#[CoversClass(ColumnContext::class)]
final class UnitFormTest extends TestCase
{
    /** @return iterable<string, array{string, string, string, string, string}> name, unit, then form, unit and unread */
    public static function columns(): iterable
    {
        yield 'its own element' => ['K', 'mg K/kg', 'K', 'ppm', ''];
        yield 'its own element, where it has no forms' => ['Zn', 'mg Zn/kg', '', 'ppm', ''];
        yield 'its oxide' => ['K', 'mg K2O/kg', 'K2O', 'ppm', ''];
        yield 'nitrogen of nitrate' => ['Nitrate', 'mg N/kg', 'NO3-N', 'ppm', ''];
        yield 'carbon of organic matter' => ['OM', '% C', 'OC', 'percent', ''];
        yield 'another element is a slip, and is asked' => ['K', 'mg N/kg', 'K', '', 'ppm N'];
        yield 'another element where it has no forms' => ['Zn', 'mg P2O5/kg', '', '', 'ppm P2O5'];
    }

    #[DataProvider('columns')]
    public function test_a_unit_that_names_another_element_is_asked(
        string $name,
        string $written,
        string $form,
        string $unit,
        string $unread,
    ): void {
        foreach (
            [
                ColumnName::read("{$name} ({$written})"),
                ColumnContext::ofCell($written)->fill(ColumnName::read($name)),
            ] as $column
        ) {
            self::assertSame([$form, $unit, $unread], [$column->form, $column->unit, $column->unread]);
            self::assertSame(
                $unread !== '',
                in_array(true, array_column($column->doubts(), 'hides'), true),
                'it is asked exactly where it is a slip',
            );
        }
    }
}
