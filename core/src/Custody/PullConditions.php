<?php

declare(strict_types=1);

namespace HonestCore\Custody;

use HonestCore\Error\ValueOutOfRange;
use HonestCore\Quantity\DepthLayer;
use HonestCore\Table\RuleTable;

/**
 * How a composite was really pulled, and what about it departs from the plan.
 *
 * Quantity and unit: the depth reached in centimetres, from the surface.
 * Domain: tools and moistures of data/pulling.json; 1 to 300 cm; null or empty where it was not noted.
 * Source: data/pulling.json.
 */
final readonly class PullConditions
{
    private function __construct(
        public ?float $depthReachedCm,
        public string $tool,
        public string $moisture,
        public string $weather,
        public string $helper,
    ) {}

    /** @throws ValueOutOfRange */
    public static function of(
        ?float $depthReachedCm = null,
        string $tool = '',
        string $moisture = '',
        string $weather = '',
        string $helper = '',
    ): self {
        if ($depthReachedCm !== null && ! ($depthReachedCm >= 1 && $depthReachedCm <= 300)) {
            throw new ValueOutOfRange('depth_reached', ['value' => $depthReachedCm, 'low' => 1, 'high' => 300]);
        }
        foreach (['tools' => $tool, 'moistures' => $moisture] as $table => $code) {
            if ($code !== '' && self::row($table, $code) === null) {
                throw new ValueOutOfRange('no_code_of_the_table', [
                    'code' => $code,
                    'table' => $table,
                    'known' => implode(', ', array_column(self::table()[$table], 'code')),
                ]);
            }
        }

        return new self($depthReachedCm, $tool, $moisture, $weather, $helper);
    }

    /** @return list<string> in words, for every reading of the sample to carry; empty when it was pulled as planned */
    public function deviations(DepthLayer $layer, int $planned, int $pulled): array
    {
        $found = [];
        if ($pulled < $planned) {
            $found[] = "{$pulled} cores of {$planned}";
        }
        if (
            $this->depthReachedCm !== null &&
            $this->depthReachedCm < $layer->bottomCm - self::table()['depth_tolerance_cm']
        ) {
            $found[] = sprintf('reached %s cm of %s cm', round($this->depthReachedCm, 1), round($layer->bottomCm, 1));
        }
        $said = [
            self::row('tools', $this->tool)['deviation'] ?? '',
            self::row('moistures', $this->moisture)['deviation'] ?? '',
        ];

        return [...$found, ...array_values(array_filter($said, static fn (string $words): bool => $words !== ''))];
    }

    /** @return array{code: string, name: string, deviation: string}|null */
    private static function row(string $table, string $code): ?array
    {
        foreach (self::table()[$table === 'tools' ? 'tools' : 'moistures'] as $row) {
            if ($row['code'] === $code) {
                return $row;
            }
        }

        return null;
    }

    /**
     * @return array{tools: list<array{code: string, name: string, deviation: string}>, moistures: list<array{
     * code: string, name: string, deviation: string}>, depth_tolerance_cm: float|int}
     */
    private static function table(): array
    {
        /**
         * @var array{tools: list<array{code: string, name: string, deviation: string}>, moistures: list<array{
         * code: string, name: string, deviation: string}>, depth_tolerance_cm: float|int} $table
         */
        $table = RuleTable::named('pulling');

        return $table;
    }
}
