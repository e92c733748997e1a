<?php

declare(strict_types=1);

namespace HonestCore\Record;

use HonestCore\Error\BadField;
use HonestCore\Table\Fields;
use HonestCore\Table\Stored;

/** How far a chain has come: the number of its last link and that link's hash. */
final readonly class ChainHead implements Stored
{
    public function __construct(public int $position, public string $hash) {}

    /** @throws BadField */
    public static function fromRow(array $row): self
    {
        $fields = new Fields($row);
        $hash = $fields->text('hash');

        return preg_match('/^[0-9a-f]{64}$/', $hash) === 1
            ? new self($fields->whole('position'), $hash)
            : throw new BadField('no_hash');
    }

    public function toRow(): array
    {
        return ['position' => $this->position, 'hash' => $this->hash];
    }

    /** For paper: enough to tell two chains apart, short enough to be read out. */
    public function short(): string
    {
        return "{$this->position}-".substr($this->hash, 0, 12);
    }
}
