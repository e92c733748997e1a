<?php

declare(strict_types=1);

namespace HonestCore\Bench;

/**
 * One step of a method: what to do, how much of what, for how long.
 *
 * Quantity and unit: seconds; the time aimed at lies within the shortest and the longest that will do.
 *   A wait by Stokes' law has no seconds until jar and temperature are known.
 */
final readonly class MethodStep
{
    /**
     * @param string|null $short the protocol break of a time that is too short, null when it breaks nothing
     * @param string|null $long the same of one that is too long
     * @param string|null $reads what a reading step reads
     */
    public function __construct(
        public string $code,
        public StepKind $kind,
        public string $do,
        public string $amount,
        public int $handsS,
        public ?int $leastS,
        public ?int $aimS,
        public ?int $mostS,
        public ?string $short,
        public ?string $long,
        public ?string $reads,
        public ?float $stokesMicrometres,
    ) {}

    /** The same step with times of its own. */
    public function lasting(int $leastS, int $aimS, int $mostS): self
    {
        return new self(
            $this->code,
            $this->kind,
            $this->do,
            $this->amount,
            $this->handsS,
            $leastS,
            $aimS,
            $mostS,
            $this->short,
            $this->long,
            $this->reads,
            $this->stokesMicrometres,
        );
    }

    /** Seconds of a person's hands that it is planned with. */
    public function busyS(): int
    {
        return match ($this->kind) {
            StepKind::Wait => 0,
            StepKind::Timed => $this->aimS ?? 0,
            default => $this->handsS,
        };
    }

    /**
     * The protocol break that a time of this step is, in words too, or null.
     */
    public function judge(float $seconds): ?ObservedBreak
    {
        $code = match (true) {
            $this->leastS !== null && $seconds < $this->leastS => $this->short,
            $this->mostS !== null && $seconds > $this->mostS => $this->long,
            default => null,
        };

        return $code === null
            ? null
            : new ObservedBreak($code, "{$this->do}: ".
                    Duration::words($seconds).
                    ', and the method asks '.
                    Duration::words($this->leastS ?? 0).
                    ' to '.
                    Duration::words($this->mostS ?? 0).
                    '.');
    }

    /**
     * @return array{code: string, kind: string, do: string, amount: string, hands_s: int, least_s: int|null,
     * aim_s: int|null, most_s: int|null, reads: string|null, stokes_um: float|null}
     */
    public function toArray(): array
    {
        return [
            'code' => $this->code,
            'kind' => $this->kind->value,
            'do' => $this->do,
            'amount' => $this->amount,
            'hands_s' => $this->handsS,
            'least_s' => $this->leastS,
            'aim_s' => $this->aimS,
            'most_s' => $this->mostS,
            'reads' => $this->reads,
            'stokes_um' => $this->stokesMicrometres,
        ];
    }
}
