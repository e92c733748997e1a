<?php

declare(strict_types=1);

namespace HonestCore\Agreement;

use HonestCore\Table\Fields;
use HonestCore\Table\Stored;

/** How one reading of a kept pair came about: who read it, when, with which lot, by which definition, and what broke. */
final readonly class KeptReading implements Stored
{
    /**
     * @param string $said as it was reported
     * @param string $on day, as Y-m-d
     * @param int|null $version that the record numbers the method's definition by; null where it had none
     * @param list<string> $flags protocol breaks
     * @param bool $seen whether the lab's value was known before it was read
     */
    public function __construct(
        public string $said,
        public string $reader,
        public string $on,
        public string $lot,
        public ?int $version,
        public array $flags,
        public bool $seen = false,
    ) {}

    public static function fromRow(array $row): self
    {
        $fields = new Fields($row);

        return new self(
            $fields->text('said'),
            $fields->text('reader'),
            $fields->text('on'),
            $fields->text('lot'),
            $fields->wholeOrNull('version'),
            $fields->texts('flags'),
            $fields->has('seen') && $fields->flag('seen'),
        );
    }

    /**
     * @return array{said: string, reader: string, on: string, lot: string, version: int|null, flags: list<string>,
     *     seen?: true}
     */
    public function toRow(): array
    {
        return [
            'said' => $this->said,
            'reader' => $this->reader,
            'on' => $this->on,
            'lot' => $this->lot,
            'version' => $this->version,
            'flags' => $this->flags,
            ...$this->seen ? ['seen' => true] : [],
        ];
    }
}
