<?php

declare(strict_types=1);

namespace App\Actions\Prescribe;

use App\Database\State;
use App\Models\TableChange;
use App\Models\User;
use HonestCore\Agronomy\Lime\LimeSchool;
use HonestCore\Program\WantedCrop;
use HonestCore\Table\ChangedTable;
use HonestCore\Table\RuleTable;
use Illuminate\Database\Eloquent\Collection;

/** Rule tables as a team or a site has them: those that ship, with its own figures in their place. */
final class OwnTables
{
    /** @var array<int, Collection<string, TableChange>> by site */
    private array $holding = [];

    /**
     * Computes with the tables that hold for a site.
     *
     * @template T
     *
     * @param \Closure(): T $compute
     * @return T
     */
    public function with(int $siteId, \Closure $compute): mixed
    {
        return RuleTable::replacing(
            $this->holding($siteId)
                ->map(static fn (TableChange $change): array => ChangedTable::of($change->name, $change->figures)->table)
                ->all(),
            $compute,
        );
    }

    /** @return Collection<string, TableChange> by table */
    public function holding(int $siteId): Collection
    {
        return $this->holding[$siteId] ??= TableChange::holdingFor($siteId);
    }

    /**
     * The tables that a program is made with: each with its source, its day and what it held, so that it can be known again.
     *
     * @return list<array{name: string, source: string, dated: string, own: bool, memory: bool, hash: string}>
     */
    public function used(int $siteId): array
    {
        $used = [];
        foreach (array_keys(ChangedTable::REPLACEABLE) as $name) {
            $change = $this->holding($siteId)->get($name);
            $table = $change === null ? RuleTable::shipped($name) : ChangedTable::of($name, $change->figures)->table;
            $used[] = [
                'name' => $name,
                'source' => $change->source ?? self::text($table, 'source'),
                'dated' => $change?->dated->format('Y-m-d') ?? self::text($table, 'dated'),
                'own' => $change !== null,
                'memory' => $change === null && str_contains(self::text($table, 'source'), 'memory'),
                'hash' => substr(hash('sha256', json_encode($table, JSON_THROW_ON_ERROR)), 0, 16),
            ];
        }

        return $used;
    }

    /** Names the figures that hold: an edit that began from others is not taken. */
    public static function state(?TableChange $change): string
    {
        return State::of([$change?->id, $change?->figures]);
    }

    /** @param array<mixed> $changes figures by path; none puts back those that ship */
    public function change(string $name, ?int $siteId, array $changes, string $source, string $dated, User $author): TableChange
    {
        $checked = ChangedTable::of($name, $changes);
        // What cannot be computed with is refused now, and not on the page of a program.
        RuleTable::replacing([$name => $checked->table], static function (): void {
            WantedCrop::all();
            array_map(static fn (LimeSchool $one): float => $one->effectiveness(), LimeSchool::cases());
        });
        $this->holding = [];

        return TableChange::record([
            'name' => $name,
            'site_id' => $siteId,
            'figures' => $checked->changes,
            'source' => $source,
            'dated' => $dated,
            'created_by' => $author->id,
        ]);
    }

    /** @param array<string, mixed> $table */
    private static function text(array $table, string $key): string
    {
        $text = $table[$key] ?? '';

        return is_string($text) ? $text : '';
    }
}
