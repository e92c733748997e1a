<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

/** A lot or a season, and what its own pairs say of a claim. */
final readonly class CoveredGroup
{
    /** @param int $needed pairs of its own before a verdict speaks for it */
    public function __construct(
        public string $name,
        public int $pairs,
        public int $agree,
        public int $needed,
        public bool $refuted,
    ) {}

    /** Does a verdict on these pairs speak for it? */
    public function isCovered(): bool
    {
        return ! $this->refuted && $this->pairs >= $this->needed;
    }

    /** Pairs that would carry the verdict over, if they bear it out. */
    public function lacking(): int
    {
        return max(0, $this->needed - $this->pairs);
    }

    public function words(string $kind): string
    {
        $named = $this->name === '' ? "no {$kind} named" : "{$kind} {$this->name}";

        return match (true) {
            $this->refuted => ucfirst($named)." is refuted by its own pairs: {$this->agree} of {$this->pairs}.",
            $this->isCovered() => "It speaks for {$named}: {$this->agree} of {$this->pairs}.",
            default => ucfirst($named)." is not asked: {$this->pairs} of {$this->needed} pairs of its own; {$this->lacking()} more ".
                'would carry the verdict over.',
        };
    }

    /** @return array{name: string, pairs: int, agree: int, needed: int, state: string, words: string} */
    public function toArray(string $kind): array
    {
        return [
            'name' => $this->name,
            'pairs' => $this->pairs,
            'agree' => $this->agree,
            'needed' => $this->needed,
            'state' => $this->refuted ? 'refuted' : ($this->isCovered() ? 'covered' : 'not asked'),
            'words' => $this->words($kind),
        ];
    }
}
