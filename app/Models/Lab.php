<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\BelongsToTeam;
use App\Models\Concerns\KeepsChanges;
use HonestCore\Labs\LabTest;
use HonestCore\Labs\WorkingDays;
use HonestCore\Quantity\DepthLayer;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;

/**
 * A laboratory: what it tests and for how much, how long it takes, and what its form and its list ask for.
 *
 * @property int $id
 * @property int $team_id
 * @property string $name
 * @property string $address
 * @property string $email
 * @property int $turnaround_days working days from the day it arrives
 * @property int $transit_days
 * @property list<string> $holidays
 * @property int $bag_ml
 * @property string $quarantine
 * @property list<array{code: string, name: string, method: string, extractant: string, unit: string,
 *     fee_cents: int, needs_ml: int, depth: string|null, outside: string}> $tests
 * @property list<array{label: string, required: bool}> $form
 * @property list<array{column: string, field: string}> $columns
 * @property bool $service
 */
final class Lab extends Model
{
    use BelongsToTeam;
    use KeepsChanges;

    public const KIND = 'lab';

    /** What is noted of a change. */
    public const KEPT = [
        'name', 'address', 'email', 'turnaround_days', 'transit_days', 'holidays', 'bag_ml', 'quarantine', 'tests', 'form',
        'columns', 'service',
    ];

    /** What a column of the list that goes to a lab can hold. */
    public const FIELDS = ['code', 'depth', 'tests', 'area', 'use', 'irrigated', 'pulled_on', 'volume_ml', 'nothing'];

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'holidays' => 'array',
            'tests' => 'array',
            'form' => 'array',
            'columns' => 'array',
            'service' => 'boolean',
        ];
    }

    public function workingDays(): WorkingDays
    {
        return WorkingDays::without($this->holidays);
    }

    /**
     * @param list<string> $codes
     * @return list<LabTest> those of them that the lab offers
     */
    public function offered(array $codes): array
    {
        return array_values(
            array_map(
                static fn (array $test): LabTest => new LabTest(
                    $test['code'],
                    $test['name'],
                    $test['needs_ml'],
                    $test['fee_cents'],
                    $test['depth'] === null ? null : DepthLayer::parse($test['depth']),
                    $test['outside'],
                ),
                array_filter($this->tests, static fn (array $test): bool => in_array($test['code'], $codes, true)),
            ),
        );
    }

    /** @return Collection<int, self> */
    public static function byName(): Collection
    {
        return self::query()->orderBy('name')->get();
    }
}
