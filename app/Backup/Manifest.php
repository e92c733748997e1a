<?php

declare(strict_types=1);

namespace App\Backup;

use HonestCore\Record\ChainHead;
use HonestCore\Table\Fields;

/** What a backup holds, by name, size and hash, and how far every chain had come. */
final readonly class Manifest implements NamesParts
{
    /**
     * @param array<string, string> $files SHA-256 by name within the archive
     * @param array<int, ChainHead> $heads by team
     */
    public function __construct(
        public string $madeAt,
        public string $version,
        public string $lastMigration,
        public array $files,
        public array $heads,
    ) {}

    public static function fromRow(array $row): self
    {
        $fields = new Fields($row);
        $files = [];
        foreach ($fields->rows('files') as $file) {
            $one = new Fields($file);
            $files[$one->text('name')] = $one->text('sha256');
        }
        $heads = [];
        foreach ($fields->rows('heads') as $head) {
            $heads[(new Fields($head))->whole('team')] = ChainHead::fromRow($head);
        }

        return new self(
            $fields->text('made_at'),
            $fields->text('version'),
            $fields->text('last_migration'),
            $files,
            $heads,
        );
    }

    public function parts(): array
    {
        return $this->files;
    }

    public function toRow(): array
    {
        $named = [];
        foreach ($this->files as $name => $hash) {
            $named[] = ['name' => $name, 'sha256' => $hash];
        }
        $heads = [];
        foreach ($this->heads as $team => $head) {
            $heads[] = ['team' => $team] + $head->toRow();
        }

        return [
            'made_at' => $this->madeAt,
            'version' => $this->version,
            'last_migration' => $this->lastMigration,
            'files' => $named,
            'heads' => $heads,
        ];
    }
}
