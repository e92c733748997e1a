<?php

declare(strict_types=1);

namespace HonestCore\Record;

/**
 * A link of a team's chain: which row was written, the hash of what it says, and of the link before. Changing, taking
 * out, putting in or re-ordering rows leaves links that do not fit.
 *
 * Source: linked time-stamping after Haber and Stornetta (1991), from memory; SHA-256 as in FIPS 180-4.
 */
final readonly class ChainLink
{
    /** What the first link of a chain has before it. */
    public const NOTHING = '0000000000000000000000000000000000000000000000000000000000000000';

    public function __construct(
        public int $position,
        public string $table,
        public int $row,
        public string $says,
        public string $before,
        public string $hash,
    ) {}

    /**
     * The link of a row behind another.
     *
     * @param string $says hash of what the row says
     */
    public static function behind(?self $before, string $table, int $row, string $says): self
    {
        $position = ($before->position ?? 0) + 1;
        $last = $before->hash ?? self::NOTHING;

        return new self($position, $table, $row, $says, $last, self::hashOf($position, $table, $row, $says, $last));
    }

    /**
     * Whether its hash is of what it holds.
     */
    public function holds(): bool
    {
        return $this->hash === self::hashOf($this->position, $this->table, $this->row, $this->says, $this->before);
    }

    private static function hashOf(int $position, string $table, int $row, string $says, string $before): string
    {
        return CanonicalText::hash([
            'position' => $position,
            'table' => $table,
            'row' => $row,
            'says' => $says,
            'before' => $before,
        ]);
    }
}
