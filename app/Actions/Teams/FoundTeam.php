<?php

declare(strict_types=1);

namespace App\Actions\Teams;

use App\Actions\Decide\SetPolicy;
use App\Models\Team;
use App\Models\TestMethod;
use App\Models\User;
use HonestCore\Agreement\Band;
use HonestCore\Agreement\DefaultPolicy;
use HonestCore\Agronomy\Crop;
use HonestCore\Bench\CapsuleScale;
use HonestCore\Table\RuleTable;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;

/** Makes a team with its first person, the methods it starts with and the policy that ships. */
final class FoundTeam
{
    public function __construct(private readonly SetPolicy $setPolicy) {}

    /** @param array{name: string, email: string, password: string, role: string} $person */
    public function __invoke(string $name, array $person, string $lab, string $kit, string $lot): User
    {
        return DB::transaction(function () use ($name, $person, $lab, $kit, $lot): User {
            $team = Team::query()->create(['name' => $name]);
            $user = User::query()->create([...$person, 'team_id' => $team->id]);
            Auth::setUser($user);
            $this->methods($lab, $kit, $lot);
            ($this->setPolicy)('ph', self::terms(), 'The policy that ships, set before any evidence.', $user);

            return $user;
        });
    }

    private function methods(string $lab, string $kit, string $lot): void
    {
        $bands = array_map(static fn (Band $band): array => ['name' => $band->name, 'lower' => $band->lower, 'upper' => $band->upper], CapsuleScale::ph()->bands);
        foreach ([
            ['code' => 'kit-ph', 'name' => $kit, 'analyte' => 'ph', 'portion' => 'bench', 'bands' => $bands, 'lot' => $lot],
            ['code' => 'lab-ph', 'name' => $lab, 'analyte' => 'ph', 'portion' => 'lab', 'uncertainty' => 0.12],
            ['code' => 'lab-mehlich', 'name' => "{$lab}, Mehlich buffer", 'analyte' => 'buffer_ph', 'portion' => 'lab', 'school' => 'mehlich'],
            ['code' => 'lab-smp', 'name' => "{$lab}, SMP buffer", 'analyte' => 'buffer_ph', 'portion' => 'lab', 'school' => 'smp'],
        ] as $method) {
            TestMethod::query()->create([...['school' => null, 'bands' => null, 'uncertainty' => null, 'lot' => ''], ...$method]);
        }
    }

    /** @return array<string, mixed> */
    private static function terms(): array
    {
        $policy = DefaultPolicy::for('ph');
        $crops = [];
        foreach (Crop::all() as $crop) {
            $crops[$crop->code] = [$crop->low, $crop->high];
        }
        /** @var array{analytes: array{ph: array{actions: list<string>}}} $table */
        $table = RuleTable::named('policies');

        return [
            'thresholds' => $policy->limits->values, 'crops' => $crops, 'actions' => $table['analytes']['ph']['actions'],
            'allowable' => $policy->allowable, 'change' => $policy->change, 'required' => $policy->required,
            'confidence' => $policy->confidence, 'scale' => $policy->scale->value,
        ];
    }
}
