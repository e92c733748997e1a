<?php

declare(strict_types=1);

namespace App\Archive;

use App\Backup\NamesParts;
use HonestCore\Error\BadField;
use HonestCore\Record\ChainHead;
use HonestCore\Table\Fields;

/** What an archive of a team says of itself. */
final readonly class TeamManifest implements NamesParts
{
    private const FORMAT = 'honest-core-team';

    /**
     * @param string $fault of its chain, as it was found when the archive was made; empty where it was whole
     * @param array<string, string> $parts SHA-256 by name within the archive
     */
    public function __construct(
        public string $team,
        public string $madeAt,
        public string $version,
        public string $lastMigration,
        public ChainHead $head,
        public string $fault,
        public array $parts,
    ) {}

    public static function fromRow(array $row): self
    {
        $fields = new Fields($row);
        if ($fields->text('format') !== self::FORMAT || $fields->whole('form') !== 1) {
            throw new BadField('no_such_format', ['place' => 'format', 'known' => self::FORMAT.', form 1']);
        }
        $parts = [];
        foreach ($fields->rows('parts') as $part) {
            $one = new Fields($part);
            $parts[$one->text('name')] = $one->text('sha256');
        }

        return new self(
            $fields->text('team'),
            $fields->text('made_at'),
            $fields->text('version'),
            $fields->text('last_migration'),
            ChainHead::fromRow(['position' => $fields->whole('position'), 'hash' => $fields->text('hash')]),
            $fields->text('fault'),
            $parts,
        );
    }

    public function parts(): array
    {
        return $this->parts;
    }

    public function toRow(): array
    {
        $parts = [];
        foreach ($this->parts as $name => $hash) {
            $parts[] = ['name' => $name, 'sha256' => $hash];
        }

        return [
            'format' => self::FORMAT,
            'form' => 1,
            'team' => $this->team,
            'made_at' => $this->madeAt,
            'version' => $this->version,
            'last_migration' => $this->lastMigration,
            ...$this->head->toRow(),
            'fault' => $this->fault,
            'parts' => $parts,
        ];
    }
}
