<?php

declare(strict_types=1);

namespace HonestCore\Program;

use HonestCore\Agronomy\Lime\LimeMaterial;

/**
 * What products have to bring to a part, and what they may not bring.
 *
 * Quantity and unit: lb an acre of N, P2O5, K2O, of elements, and of lime as pure fine carbonate.
 * Rule: what has an amount is needed; what is at or over its optimum, and phosphorus that nobody tested, may not be
 * brought at all; lime only where lime is called for; what else nobody asked about is free.
 */
final readonly class ProgramNeed
{
    private const NUTRIENTS = ['n', 'p2o5', 'k2o', 's', 'mg', 'zn', 'b'];

    /**
     * @param array<string, float> $need
     * @param list<string> $never
     * @param list<string> $reasons
     */
    private function __construct(public array $need, public array $never, public array $reasons) {}

    /** @param list<ProgramLine> $lines */
    public static function of(array $lines): self
    {
        [$need, $never, $reasons] = [['lime' => 0.0, 'p2o5' => 0.0], [], []];
        foreach ($lines as $line) {
            if ($line->key === 'lime' && $line->lbPerAcre !== null) {
                $need['lime'] = $line->lbPerAcre * LimeMaterial::reference()->effectiveness();
            }
            if (! in_array($line->key, self::NUTRIENTS, true)) {
                continue;
            }
            if ($line->lbPerAcre !== null) {
                $need[$line->key] = $line->lbPerAcre;
            }
            if (self::isShut($line)) {
                $need[$line->key] ??= 0.0;
                $never[] = $line->key;
            }
            if ($line->key === 'k2o' && $line->lbPerAcre === null) {
                $reasons[] = 'How much potash is wanted is not known: products may bring some.';
            }
            if ($line->key === 'p2o5' && $line->lbPerAcre === null) {
                $reasons[] = 'How much phosphate is wanted is not known: no product may bring any.';
            }
        }

        return new self($need, array_values(array_unique([...$never, ...$need['lime'] > 0 ? [] : ['lime']])), $reasons);
    }

    public function isNothing(): bool
    {
        return array_sum($this->need) <= 0.0;
    }

    /** May no product bring any of it? */
    private static function isShut(ProgramLine $line): bool
    {
        return match ($line->key) {
            'p2o5' => $line->lbPerAcre === null || $line->lbPerAcre <= 0.0,
            'k2o' => $line->kind === 'zero',
            'n', 'b' => $line->lbPerAcre !== null && $line->lbPerAcre <= 0.0,
            default => false,
        };
    }
}
