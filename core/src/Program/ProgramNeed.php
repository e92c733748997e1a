<?php

declare(strict_types=1);

namespace HonestCore\Program;

use HonestCore\Agronomy\Lime\LimeMaterial;

/**
 * What products have to bring to a part, and what they may not bring.
 *
 * Quantity and unit: lb an acre of N, P2O5, K2O, of elements, and of lime as pure fine carbonate.
 * Rule: what has an amount is needed; what is at or over its optimum, and phosphate and potash of which nobody knows how much,
 * may not be brought at all; lime only where lime is called for; what else nobody asked about is free.
 */
final readonly class ProgramNeed
{
    private const NUTRIENTS = ['n', 'p2o5', 'k2o', 's', 'mg', 'zn', 'b'];

    /** What is not brought unasked. */
    private const UNKNOWN = ['p2o5' => 'phosphate', 'k2o' => 'potash'];

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
            if (isset(self::UNKNOWN[$line->key]) && $line->lbPerAcre === null) {
                $reasons[] = 'How much '.self::UNKNOWN[$line->key].' is wanted is not known: no product may bring any.';
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
            'p2o5', 'k2o' => $line->lbPerAcre === null || $line->lbPerAcre <= 0.0,
            'n', 'b' => $line->lbPerAcre !== null && $line->lbPerAcre <= 0.0,
            default => false,
        };
    }
}
