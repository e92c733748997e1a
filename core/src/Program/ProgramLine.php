<?php

declare(strict_types=1);

namespace HonestCore\Program;

use HonestCore\Quantity\AreaRate;

/**
 * One line of a program: what, how much, from which test under which claim, how sure, and what would change it.
 *
 * Quantity and unit: lb an acre of what the line is of (the school's limestone, sulphur, P2O5, K2O, N, an element); null
 * where it has no figure. `between` is the span of the same.
 */
final readonly class ProgramLine
{
    /**
     * @param string $key names what may be overridden; empty where nothing may
     * @param 'amount'|'zero'|'direction'|'unknown'|'stop'|'close'|'ask' $kind
     * @param array{float|null, float|null}|null $between
     * @param 'lab'|'rate'|'sort'|'table'|'none' $claim
     * @param list<string> $reasons
     * @param list<string> $cautions
     * @param array{was: float|null, reason: string}|null $override
     */
    public function __construct(
        public string $key,
        public string $kind,
        public string $what,
        public string $answer,
        public ?float $lbPerAcre = null,
        public ?array $between = null,
        public string $claim = 'none',
        public string $from = '',
        public string $sure = '',
        public string $changes = '',
        public array $reasons = [],
        public array $cautions = [],
        public ?array $override = null,
        public ?ExpectedChange $expects = null,
    ) {}

    /** The same with what its school says it will do to the next result. */
    public function expecting(?ExpectedChange $change): self
    {
        return $this->with($this->kind, $this->lbPerAcre, $this->between, $this->changes, $this->reasons, $this->override, $change);
    }

    /** The same, its amount set by a person against what it was, with the reason that prints. */
    public function overridden(float $lbPerAcre, string $reason): self
    {
        return $this->with(
            $lbPerAcre > 0 ? 'amount' : 'zero',
            $lbPerAcre,
            null,
            $this->changes,
            $this->reasons,
            ['was' => $this->lbPerAcre, 'reason' => $reason],
            $this->expects,
        );
    }

    /** The same without its amount, for the reason given: nothing is spread before it is known. */
    public function held(string $why): self
    {
        return $this->lbPerAcre === null || $this->lbPerAcre <= 0
            ? $this
            : $this->with('stop', null, null, $why, $this->reasons, null, null);
    }

    /** The same with its amount divided by what the school reached of its own word here, and no more than goes on at once. */
    public function corrected(LocalFactor $factor): self
    {
        if ($this->expects?->school !== $factor->school || $this->lbPerAcre === 0.0) {
            return $this;
        }
        if ($this->lbPerAcre === null) {
            $reasons = [...$this->reasons, $factor->wordsOfRest()];

            return $this->with($this->kind, null, $this->between, $this->changes, $reasons, $this->override, $this->expects);
        }
        $divided = fn (float $pounds): float => $factor->rate($pounds, $this->expects->zeroLb ?? 0.0);

        return $this->with(
            $this->kind,
            min($divided($this->lbPerAcre), max($this->lbPerAcre, $factor->most())),
            $this->between === null
                ? null
                : array_map(static fn (?float $end): ?float => $end === null ? null : $divided($end), $this->between),
            $this->changes,
            [...$this->reasons, $factor->words($this->lbPerAcre)],
            $this->override,
            $this->expects,
        );
    }

    /**
     * @param 'amount'|'zero'|'direction'|'unknown'|'stop'|'close'|'ask' $kind
     * @param array{float|null, float|null}|null $between
     * @param list<string> $reasons
     * @param array{was: float|null, reason: string}|null $override
     */
    private function with(
        string $kind,
        ?float $lbPerAcre,
        ?array $between,
        string $changes,
        array $reasons,
        ?array $override,
        ?ExpectedChange $expects,
    ): self {
        return new self(
            $this->key,
            $kind,
            $this->what,
            $this->answer,
            $lbPerAcre,
            $between,
            $this->claim,
            $this->from,
            $this->sure,
            $changes,
            $reasons,
            $this->cautions,
            $override,
            $expects,
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'key' => $this->key,
            'kind' => $this->kind,
            'what' => $this->what,
            'answer' => $this->answer,
            ...AreaRate::shown($this->lbPerAcre),
            'between' => $this->between,
            'claim' => $this->claim,
            'from' => $this->from,
            'sure' => $this->sure,
            'changes' => $this->changes,
            'reasons' => $this->reasons,
            'cautions' => $this->cautions,
            'override' => $this->override,
            'expects' => $this->expects?->toRow(),
        ];
    }
}
