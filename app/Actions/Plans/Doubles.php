<?php

declare(strict_types=1);

namespace App\Actions\Plans;

use HonestCore\Labs\QualityControl;
use HonestCore\Sampling\WalkTime;
use HonestCore\Table\RuleTable;

/**
 * Adds quality control to a plan that is laid out: duplicate composites of cores of their own, drawn with the next
 * seed on the same
 * ground, and which composites are to have a hidden duplicate; and says what it costs and buys.
 *
 * @phpstan-import-type Asked from LayOut
 * @phpstan-import-type Laid from LayOut
 * @phpstan-import-type Outline from LayOut
 * @phpstan-import-type Composite from LayOut
 * @phpstan-import-type Quality from LayOut
 */
final class Doubles
{
    /**
     * @param Laid $layout
     * @param array{duplicates: int, hidden: int} $quality
     * @param Asked $spec
     * @param callable(): Laid $again
     * @return Laid
     */
    public function __invoke(array $layout, array $quality, array $spec, callable $again): array
    {
        $own = count($layout['composites']);
        $doubled = QualityControl::pick($own, $quality['duplicates'], $spec['seed']);
        $second = $doubled === [] ? ['cores' => [], 'composites' => []] : $again();
        $walk = 0.0;
        foreach ($doubled as $of) {
            $twin = self::twin($layout['composites'][$of - 1]['outline'], $second['composites']) ?? $of;
            $cores = array_values(
                array_filter($second['cores'], static fn (array $core): bool => $core['composite'] === $twin),
            );
            $number = count($layout['composites']) + 1;
            $layout['cores'] = [
                ...$layout['cores'],
                ...array_map(static fn (array $core): array => ['composite' => $number] + $core, $cores),
            ];
            $layout['composites'][] =
                ['number' => $number, 'duplicate_of' => $of] +
                ($second['composites'][$twin - 1] ?? $layout['composites'][$of - 1]);
            $walk += $second['composites'][$twin - 1]['walk_m'] ?? 0.0;
        }
        $extra = array_sum(
            array_map(static fn (array $one): int => $one['cores'], array_slice($layout['composites'], $own)),
        );
        $minutes =
            $doubled === []
                ? 0.0
                : WalkTime::minutes(
                    $walk,
                    $extra,
                    count($spec['layers']),
                    $spec['speed_km_per_h'],
                    $spec['seconds_per_core'],
                );
        $hidden = QualityControl::pick($own, $quality['hidden'], $spec['seed'] + 7);

        return [
            'walk_m' => $layout['walk_m'] + $walk,
            'minutes' => $layout['minutes'] + $minutes,
            'quality' => $this->words($own, count($doubled), $hidden, $extra, $minutes, count($spec['layers'])),
        ] + $layout;
    }

    /**
     * The composite of the second drawing that lies on the same ground.
     *
     * @param Outline $outline
     * @param list<Composite> $composites
     */
    private static function twin(array $outline, array $composites): ?int
    {
        foreach ($composites as $one) {
            if ($one['outline'] === $outline) {
                return $one['number'];
            }
        }

        return null;
    }

    /**
     * @param list<int> $hidden
     * @return Quality
     */
    private function words(
        int $composites,
        int $duplicates,
        array $hidden,
        int $cores,
        float $minutes,
        int $layers,
    ): array {
        /** @var array{fee: float|int} $table */
        $table = RuleTable::named('quality');
        $samples = ($duplicates + count($hidden)) * $layers;

        return [
            'duplicates' => $duplicates,
            'hidden' => $hidden,
            'usual' => QualityControl::usual($composites),
            'cores' => $cores,
            'minutes' => $minutes,
            'samples' => $samples,
            'fees' => (float) $samples * $table['fee'],
            'words' => [
                ...$duplicates > 0
                    ? [QualityControl::ofPairs($duplicates * $layers)->words('sampling and lab together')]
                    : [],
                ...$hidden !== [] ? [QualityControl::ofPairs(count($hidden) * $layers)->words('the lab alone')] : [],
            ],
        ];
    }
}
