<?php

declare(strict_types=1);

namespace App\Actions\Plans;

use App\Database\State;
use App\Models\SchoolProfile;
use HonestCore\Quantity\DepthLayer;
use HonestCore\Sampling\School;
use HonestCore\Table\RuleTable;

/** The schools as a team has them: those that ship, its own rows in their place. */
final class Schools
{
    /** @return array<string, School> by code */
    public function all(): array
    {
        $own = $this->own();
        $schools = [];
        foreach (School::all() as $school) {
            $schools[$school->code] = isset($own[$school->code])
                ? School::of($school->code, $own[$school->code])
                : $school;
        }

        return $schools;
    }

    /** @return array<string, array<string, mixed>> */
    public function own(): array
    {
        return SchoolProfile::query()
            ->get()
            ->mapWithKeys(static fn (SchoolProfile $profile): array => [$profile->code => $profile->row])
            ->all();
    }

    /** Names what a school says: an edit that began from something else is not taken. */
    public static function state(School $school): string
    {
        $layers = array_map(static fn (DepthLayer $layer): string => $layer->notation(), $school->layers);

        return State::of([
            $school->name, $school->acres, $school->cores, $layers, $school->pattern->value, $school->cellAcres, $school->why,
        ]);
    }

    /**
     * @param array<string, mixed> $row
     * @param mixed $basedOn the state that the edit began from
     */
    public function change(string $code, array $row, mixed $basedOn = null): School
    {
        $stored = $this->all()[$code] ?? null;
        if ($stored !== null) {
            State::check(self::state($stored), $basedOn, $stored->name);
        }
        /** @var array<string, array<string, mixed>> $shipped */
        $shipped = RuleTable::named('schools')['schools'];
        $row['for'] = $shipped[$code]['for'] ?? [];
        $school = School::of($code, $row);
        SchoolProfile::query()->updateOrCreate(['code' => $code], ['row' => $row]);

        return $school;
    }
}
