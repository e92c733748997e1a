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
    ) {}

    /** The same, its amount set by a person against what it was, with the reason that prints. */
    public function overridden(float $lbPerAcre, string $reason): self
    {
        return new self(
            $this->key,
            $lbPerAcre > 0 ? 'amount' : 'zero',
            $this->what,
            $this->answer,
            $lbPerAcre,
            null,
            $this->claim,
            $this->from,
            $this->sure,
            $this->changes,
            $this->reasons,
            $this->cautions,
            ['was' => $this->lbPerAcre, 'reason' => $reason],
        );
    }

    /** The same without its amount, for the reason given: nothing is spread before it is known. */
    public function held(string $why): self
    {
        return $this->lbPerAcre === null || $this->lbPerAcre <= 0
            ? $this
            : new self(
                $this->key,
                'stop',
                $this->what,
                $this->answer,
                null,
                null,
                $this->claim,
                $this->from,
                $this->sure,
                $why,
                $this->reasons,
                $this->cautions,
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
        ];
    }
}
