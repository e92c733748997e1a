<?php

declare(strict_types=1);

namespace App\Actions\Teams;

use App\Actions\Bench\KeepMethod;
use App\Actions\Decide\SetPolicy;
use App\Database\AllOrNothing;
use App\Models\Team;
use App\Models\TestMethod;
use App\Models\User;
use HonestCore\Agreement\DefaultPolicy;
use HonestCore\Agreement\Looking;
use HonestCore\Agreement\PolicyTerms;
use HonestCore\Bench\MethodDefinition;
use HonestCore\Bench\MethodLibrary;
use HonestCore\Table\RuleTable;
use Illuminate\Support\Facades\Auth;

/** Makes a team with its first person, the methods it starts with and the policy that ships. */
final class FoundTeam
{
    public function __construct(private readonly SetPolicy $setPolicy, private readonly KeepMethod $keep) {}

    /**
     * @param array{name: string, email: string, password: string, role: string} $person
     * @param Looking $looking the pages are live, so that evidence is looked at after every pair
     * @param MethodDefinition|null $definition of the kit, where it is not the one that ships
     * @param bool $blind whether only what was read before the lab's value was known counts
     */
    public function __invoke(
        string $name,
        array $person,
        string $lab,
        string $kit,
        string $lot,
        Looking $looking = Looking::Often,
        bool $blind = true,
        ?MethodDefinition $definition = null,
    ): User {
        return AllOrNothing::of(function () use ($name, $person, $lab, $kit, $lot, $looking, $blind, $definition): User {
            $team = Team::query()->create(['name' => $name]);
            $user = User::query()->create([...$person, 'team_id' => $team->id, 'administers' => true]);
            Auth::setUser($user);
            $this->kit($kit, $lot, $user, $definition ?? MethodLibrary::get('capsule-ph'));
            $this->methods($lab);
            /** @var array<string, mixed> $analytes */
            $analytes = RuleTable::named('policies')['analytes'];
            foreach (array_keys($analytes) as $analyte) {
                ($this->setPolicy)(
                    $analyte,
                    self::terms($analyte, $looking, $blind),
                    'The policy that ships, set before any evidence.',
                    $user,
                );
            }

            return $user;
        });
    }

    /** The capsule kit that ships, under the name it has here. */
    private function kit(string $name, string $lot, User $user, MethodDefinition $ships): void
    {
        $definition = MethodDefinition::of(['name' => $name] + $ships->toArray());
        $method = $this->keep->add($definition, 'The steps that ship.', $user, 'kit-ph', $lot);
        if ($lot !== '') {
            $method->lots()->create(['reagent' => $definition->reagents[0], 'lot' => $lot]);
        }
    }

    private function methods(string $lab): void
    {
        foreach (
            [
                [
                    'code' => 'lab-ph',
                    'name' => $lab,
                    'analyte' => 'ph',
                    'workplace' => 'lab',
                    'uncertainty' => 0.12,
                    'extractant' => 'water',
                ],
                [
                    'code' => 'lab-mehlich',
                    'name' => "{$lab}, Mehlich buffer",
                    'analyte' => 'buffer_ph',
                    'workplace' => 'lab',
                    'school' => 'mehlich',
                    'extractant' => 'mehlich',
                ],
                [
                    'code' => 'lab-smp',
                    'name' => "{$lab}, SMP buffer",
                    'analyte' => 'buffer_ph',
                    'workplace' => 'lab',
                    'school' => 'smp',
                    'extractant' => 'smp',
                ],
            ] as $method
        ) {
            TestMethod::query()->create([
                ...['school' => null, 'bands' => null, 'uncertainty' => null, 'lot' => ''],
                ...$method,
            ]);
        }
    }

    private static function terms(string $analyte, Looking $looking, bool $blind): PolicyTerms
    {
        /** @var array{analytes: array<string, array{actions: list<string>}>} $table */
        $table = RuleTable::named('policies');

        return PolicyTerms::ofPolicy(
            DefaultPolicy::for($analyte)->lookedAt($looking),
            $table['analytes'][$analyte]['actions'] ?? [],
            $blind,
        );
    }
}
