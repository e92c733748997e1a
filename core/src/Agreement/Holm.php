<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

/**
 * Many claims held to one error rate: the chance that any of them stands falsely is no more than that of one alone.
 *
 * Quantity: which of the claims stand together, and at which confidence the others were asked.
 * Rule: step down. Of m claims, those that stand at a risk of α/m stand; then those that stand at α divided by how many are
 *   left, and so on until none more does. A claim must stand at the plain confidence too.
 * Domain: any number of claims; they need not be independent.
 * Source: Holm 1979, Scandinavian Journal of Statistics 6; R `p.adjust` gives the same for p-values.
 */
final readonly class Holm
{
    /**
     * @param list<string> $standing
     * @param int $left how many claims the last step was shared by
     */
    private function __construct(public array $standing, public int $claims, public int $left, public float $confidence) {}

    /** @param array<callable(float): bool> $claims by name: whether each stands at a confidence */
    public static function of(array $claims, float $confidence): self
    {
        $alone = array_filter($claims, static fn (callable $stands): bool => $stands($confidence));
        [$standing, $left, $level] = [[], count($claims), $confidence];
        while ($left > 0) {
            $level = 1 - (1 - $confidence) / $left;
            $more = array_filter(
                array_diff_key($alone, array_flip($standing)),
                static fn (callable $stands): bool => $stands($level),
            );
            if ($more === []) {
                break;
            }
            $standing = [...$standing, ...array_keys($more)];
            $left = count($claims) - count($standing);
        }

        return new self(array_map(strval(...), $standing), count($claims), max(1, $left), $level);
    }

    public function stands(string $claim): bool
    {
        return in_array($claim, $this->standing, true);
    }

    /** Why a claim that stands alone does not stand among the others. */
    public function why(): string
    {
        return "It would stand by itself. The policy asks for one error rate over the {$this->claims} claims that are judged of ".
            "this, so that it must stand at {$this->percent()} confidence, and does not yet.";
    }

    private function percent(): string
    {
        return Words::trim(100 * $this->confidence, 2).' %';
    }
}
