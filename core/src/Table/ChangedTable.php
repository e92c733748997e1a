<?php

declare(strict_types=1);

namespace HonestCore\Table;

use HonestCore\Error\BadTable;
use HonestCore\Error\ValueOutOfRange;

/**
 * A rule table with figures of a team or a site in the place of those that ship: its shape stays, its numbers change, each by
 * its path.
 *
 * Quantity and unit: those of the table.
 * Domain: paths of numbers that the table has; values finite and not negative; what ascends in the table still ascends.
 */
final readonly class ChangedTable
{
    /** Tables whose figures may be replaced, and the branches of them that hold figures people know by name. */
    public const REPLACEABLE = [
        'wanted-crops' => ['crops'],
        'nutrient-limits' => ['years', 'low_cec', 'p', 'k_low_cec', 'k', 'build_p', 'build_k', 'removal'],
        'class-limits' => ['analytes'],
        'nitrogen' => ['psnt_critical', 'psnt_each', 'low_cec'],
        'sulphur' => ['table', 'stop_carbonate', 'ask_above'],
        'lime-schools' => ['dressing_tons_per_acre', 'dressing_ph_units', 'organic_matter_most', 'schools'],
        'lime-smp' => ['rows'],
        'metals-limits' => ['steps'],
        'program-rules' => [
            'lime_days', 'nutrient_days', 'slow_days', 'micro_days', 'dressings_days', 'spread_before_pull_days', 'salts',
            'layer_bottom_in', 'apart_ph',
        ],
    ];

    /** What the places of a list are. */
    private const PLACES = [
        'p' => ['critical level, ppm', 'limit, ppm'],
        'k' => ['critical level, ppm', 'limit, ppm'],
        'bray' => ['critical level, ppm', 'limit, ppm'],
        'k_low_cec' => ['critical level, ppm', 'limit, ppm'],
        'removal' => ['P2O5, lb', 'K2O, lb'],
        'zero' => ['P2O5, lb/acre', 'K2O, lb/acre'],
        'build_k' => ['lb K2O a ppm', 'more for each cmol/kg'],
        'ph' => ['lime below', 'sized for', 'too high from'],
        'layer_bottom_in' => ['from', 'to'],
        'rows' => ['buffer pH', 'to pH 7.0, tons/acre', 'to pH 6.5, tons/acre', 'to pH 6.0, tons/acre'],
        'buffer' => ['from', 'to'],
    ];

    /** Names of branches in the words of the field; empty for what says nothing. */
    private const NAMES = [
        'crops' => '', 'analytes' => '', 'steps' => '', 'p' => 'phosphorus', 'k' => 'potassium', 'ph' => 'pH',
        'k_low_cec' => 'potassium on low exchange capacity', 'low_cec' => 'exchange capacity that is low, cmol/kg',
        'bray' => 'phosphorus by Bray-1', 'limits' => 'limits', 'zero' => 'rate at test zero', 'removal' => 'removal by a unit of yield',
        'need' => 'need, lb N/acre', 'usual' => 'usual, an acre', 'years' => 'years to build up', 'build_p' => 'lb P2O5 a ppm',
        'build_k' => 'building up potassium', 'lb_per_acre' => 'amount, lb/acre', 'psnt_critical' => 'critical nitrate, ppm NO3-N',
        'psnt_each' => 'lb N a ppm', 'table' => 'table: pH, lb/100 sq ft on sand, on loam', 'stop_carbonate' => 'carbonate that stops, %',
        'ask_above' => 'pH above which causes are asked', 'pb' => 'lead', 'as' => 'arsenic', 'limit' => 'limit, ppm', 'since' => 'year',
        'lime_days' => 'lime, days before planting', 'nutrient_days' => 'phosphate and potash, days before planting',
        'slow_days' => 'slow sources, days before planting', 'micro_days' => 'micronutrients, days after planting',
        'dressings_days' => 'days between small dressings', 'spread_before_pull_days' => 'days after spreading that a composite is doubted',
        'salts' => 'salts, dS/m', 'layer_bottom_in' => 'bottom of the layer, in', 'apart_ph' => 'targets of pH that pull apart',
        'dressing_tons_per_acre' => 'most in one dressing, tons/acre', 'dressing_ph_units' => 'most in one dressing, units of pH',
        'organic_matter_most' => 'organic matter of mineral soils at most, %', 'rows' => 'SMP', 'schools' => '',
        'depth_in' => 'own depth, in', 'cce' => 'own stone, carbonate equivalent, %', 'p8' => 'own stone, through 8 mesh, %',
        'p60' => 'own stone, through 60 mesh, %', 'effectiveness' => 'own stone, effectiveness', 'buffer' => 'buffer pH',
    ];

    /** Pairs and triples of these names go upwards. */
    private const ASCENDING = ['p', 'k', 'k_low_cec', 'bray', 'ph', 'layer_bottom_in'];

    /**
     * @param array<string, mixed> $table
     * @param array<string, float> $changes by path
     */
    private function __construct(public array $table, public array $changes) {}

    /**
     * @param array<mixed> $changes numbers by path, as "p.corn.0"
     *
     * @throws BadTable for a table that may not be replaced
     * @throws ValueOutOfRange
     */
    public static function of(string $name, array $changes): self
    {
        $shipped = self::figures($name);
        $table = RuleTable::shipped($name);
        $own = [];
        foreach ($changes as $path => $value) {
            $path = (string) $path;
            if (! isset($shipped[$path]) || ! (is_int($value) || is_float($value)) || ! is_finite((float) $value) || $value < 0) {
                throw new ValueOutOfRange('figure_of_table', ['name' => $name, 'path' => mb_substr($path, 0, 60)]);
            }
            $own[$path] = (float) $value;
            $table = self::with($table, explode('.', $path), is_int($value) ? $value : (fmod($value, 1.0) === 0.0 ? (int) $value : $value));
        }
        if (isset($table['rows'])) {
            self::checkRows($name, $table);
        }
        foreach (array_keys($own) as $path) {
            self::checkAscending($name, $table, explode('.', $path));
        }

        /** @var array<string, mixed> $table */
        return new self($table, $own);
    }

    /**
     * Every figure of a table that may be replaced, by its path.
     *
     * @return array<string, float>
     *
     * @throws BadTable
     */
    public static function figures(string $name): array
    {
        $branches = self::REPLACEABLE[$name] ?? throw new BadTable('table_stays', ['name' => mb_substr($name, 0, 40)]);
        $found = [];
        foreach (array_intersect_key(RuleTable::shipped($name), array_flip($branches)) as $branch => $value) {
            self::collect($branch, $value, $found);
        }

        // The buffer pH that a row of lime stands for is its place, and not a figure of it.
        return array_filter($found, static fn (string $path): bool => preg_match('/^rows\.\d+\.0$/', $path) !== 1, ARRAY_FILTER_USE_KEY);
    }

    /** What a figure is, in the words of the field: phosphorus, corn, critical level. */
    public static function label(string $path): string
    {
        $steps = explode('.', $path);
        if ($steps[0] === 'rows') {
            return self::labelOfRow((int) ($steps[1] ?? 0), (int) ($steps[2] ?? 0));
        }
        $said = [];
        foreach ($steps as $i => $step) {
            $said[] = ctype_digit($step) ? self::place((int) $step, array_slice($steps, max(0, $i - 2), min(2, $i))) : self::name($step);
        }

        return implode(', ', array_values(array_filter($said)));
    }

    private static function labelOfRow(int $row, int $column): string
    {
        $rows = (new Fields(RuleTable::shipped('lime-smp')))->rows('rows');
        $buffer = $rows[$row][0] ?? null;

        return 'SMP buffer pH '.(is_numeric($buffer) ? $buffer : '?').', '.self::PLACES['rows'][$column];
    }

    private static function name(string $step): string
    {
        return self::NAMES[$step] ?? strtr($step, '_', ' ');
    }

    /**
     * What a place of a list is, by the names that lead to it.
     *
     * @param list<string> $names the last two
     */
    private static function place(int $at, array $names): string
    {
        foreach (array_reverse($names) as $name) {
            if (isset(self::PLACES[$name])) {
                return self::PLACES[$name][$at] ?? 'row '.($at + 1);
            }
        }

        return 'row '.($at + 1);
    }

    /**
     * Lime must not become less where the buffer pH falls.
     *
     * @param array<mixed> $table
     *
     * @throws ValueOutOfRange
     */
    private static function checkRows(string $name, array $table): void
    {
        $rows = (new Fields($table))->rows('rows');
        foreach (array_slice($rows, 1) as $i => $row) {
            foreach (array_slice($row, 1) as $column => $tons) {
                if ($tons < ($rows[$i][$column + 1] ?? 0)) {
                    throw new ValueOutOfRange('table_does_not_ascend', ['name' => $name, 'path' => 'rows.'.($i + 1)]);
                }
            }
        }
    }

    /** @param array<string, float> $found */
    private static function collect(string $path, mixed $value, array &$found): void
    {
        if (is_int($value) || is_float($value)) {
            $found[$path] = (float) $value;
        }
        foreach (is_array($value) ? $value : [] as $key => $inner) {
            self::collect("{$path}.{$key}", $inner, $found);
        }
    }

    /**
     * @param array<mixed> $table
     * @param list<string> $path
     * @return array<mixed>
     */
    private static function with(array $table, array $path, int|float $value): array
    {
        $key = $path[0] ?? '';
        $inner = $table[$key] ?? null;
        $table[$key] = count($path) > 1 && is_array($inner) ? self::with($inner, array_slice($path, 1), $value) : $value;

        return $table;
    }

    /**
     * @param array<mixed> $table
     * @param list<string> $path
     *
     * @throws ValueOutOfRange
     */
    private static function checkAscending(string $name, array $table, array $path): void
    {
        $here = $table;
        $isAscending = false;
        foreach (array_slice($path, 0, -1) as $key) {
            $isAscending = $isAscending || in_array($key, self::ASCENDING, true);
            $here = is_array($here[$key] ?? null) ? $here[$key] : [];
        }
        $numbers = array_values($here);
        $sorted = $numbers;
        sort($sorted);
        if ($isAscending && array_is_list($here) && $numbers !== $sorted) {
            throw new ValueOutOfRange('table_does_not_ascend', ['name' => $name, 'path' => implode('.', array_slice($path, 0, -1))]);
        }
    }
}
