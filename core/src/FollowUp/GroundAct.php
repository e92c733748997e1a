<?php

declare(strict_types=1);

namespace HonestCore\FollowUp;

/**
 * One entry in the history of an area: what was spread or said to have been, rain, or a problem.
 *
 * Quantity and unit: days as Y-m-d, the first and the last it may have been (a day known only by its year spans the year);
 * rates in lb an acre of product, null where nobody noted one; rain in mm; `brings` in lb an acre of what program lines are of,
 * null where it is not known what the product brings.
 */
final readonly class GroundAct
{
    public const SPREAD = 'application';

    public const RAIN = 'rain';

    public const PROBLEM = 'problem';

    /** @param array<string, float>|null $brings */
    public function __construct(
        public string $kind,
        public string $from,
        public string $to,
        public string $what,
        public ?float $lbPerAcre,
        public ?float $rainMm,
        public ?array $brings,
        public int $part,
        public string $source,
        public ?int $program,
        public int $id,
    ) {}

    /** Of what is said of an area, where a day may be known by its year or month alone. */
    public static function said(string $kind, string $on, bool $part, string $note): self
    {
        [$from, $to] = match (strlen($on)) {
            4 => ["{$on}-01-01", "{$on}-12-31"],
            7 => ["{$on}-01", (new \DateTimeImmutable("{$on}-01"))->format('Y-m-t')],
            default => [$on, $on],
        };

        return new self(
            self::SPREAD,
            $from,
            $to,
            ucfirst($kind).($part ? ', on a part' : '').($note === '' ? '' : ": {$note}"),
            null,
            null,
            null,
            0,
            'facts',
            null,
            0,
        );
    }

    public function isSpread(): bool
    {
        return $this->kind === self::SPREAD;
    }

    /** Did it bring some of what a program line is of? */
    public function isOf(string $key): bool
    {
        return ($this->brings[$key] ?? 0.0) > 0;
    }

    /** Was something spread of which nobody knows what it brings? */
    public function isUnknown(): bool
    {
        return $this->isSpread() && $this->brings === null && $this->lbPerAcre !== 0.0;
    }

    /** Is the day known? */
    public function isOfOneDay(): bool
    {
        return $this->from === $this->to;
    }

    /** The day as well as it is known. */
    public function day(): string
    {
        return match (true) {
            $this->isOfOneDay() => $this->from,
            substr($this->from, 0, 7) === substr($this->to, 0, 7) => substr($this->from, 0, 7),
            default => substr($this->from, 0, 4),
        };
    }
}
