<?php

declare(strict_types=1);

namespace HonestCore\Sampling;

use HonestCore\Error\BadOption;
use HonestCore\Error\BadTable;
use HonestCore\Error\ValueOutOfRange;
use HonestCore\Quantity\DepthLayer;
use HonestCore\Table\RuleTable;

/**
 * Depth layers that are sampled together, a composite for each, from the top down.
 *
 * Quantity and unit: centimetres below the surface. Domain: 1 to 8 layers that do not overlap.
 */
final readonly class DepthStack
{
    private const MOST = 8;

    /** @param non-empty-list<DepthLayer> $layers */
    private function __construct(public array $layers) {}

    /**
     * @param list<string> $notations such as 0-6in
     *
     * @throws BadOption
     * @throws ValueOutOfRange
     */
    public static function parse(array $notations): self
    {
        if ($notations === [] || count($notations) > self::MOST) {
            throw new ValueOutOfRange('number_depth_layers', [
                'value' => count($notations),
                'most' => self::MOST,
            ]);
        }
        $layers = array_map(DepthLayer::parse(...), $notations);
        $order = array_keys($layers);
        usort($order, static fn (int $a, int $b): int => $layers[$a]->topCm <=> $layers[$b]->topCm);
        foreach (array_slice($order, 1) as $i => $at) {
            $above = $order[$i];
            if ($layers[$at]->topCm < $layers[$above]->bottomCm - 1e-9) {
                throw new ValueOutOfRange('layers_overlap', [
                    'upper' => $notations[$above],
                    'lower' => $notations[$at],
                ]);
            }
        }

        return new self(array_map(static fn (int $at): DepthLayer => $layers[$at], $order));
    }

    /**
     * What to hear about layers that the lab's calibration is not for.
     *
     * @return list<string>
     *
     * @throws BadTable
     */
    public function warnings(): array
    {
        /** @var array{calibrated_top_cm: float|int, calibrated_bottom_cm: array{float, float}} $table */
        $table = RuleTable::named('layers');
        $warnings = [];
        foreach ($this->layers as $layer) {
            $fits =
                $layer->topCm <= $table['calibrated_top_cm'] + 0.5 &&
                $layer->bottomCm >= $table['calibrated_bottom_cm'][0] - 0.5 &&
                $layer->bottomCm <= $table['calibrated_bottom_cm'][1] + 0.5;
            if (! $fits) {
                $warnings[] = "The layer {$layer->text()} is not the one the lab's ratings are made for (0-6 in): ".
                    'compare its numbers with each other, not with a table.';
            }
        }

        return $warnings;
    }
}
