<?php

declare(strict_types=1);

namespace App\Actions\Bench;

use App\Database\AllOrNothing;
use App\Exceptions\Conflict;
use App\Exceptions\Refused;
use App\Models\MethodVersion;
use App\Models\TestMethod;
use App\Models\User;
use HonestCore\Agreement\Band;
use HonestCore\Bench\MethodDefinition;

/**
 * Adds a bench method to the team's, or revises one: every definition is kept, and readings keep the one they were
 * made under.
 */
final class KeepMethod
{
    /** @throws Conflict when the team has a method of that name */
    public function add(
        MethodDefinition $definition,
        string $why,
        User $author,
        ?string $code = null,
        string $lot = '',
    ): TestMethod {
        return AllOrNothing::of(function () use ($definition, $why, $author, $code, $lot): TestMethod {
            if (TestMethod::query()->where('name', $definition->name)->exists()) {
                throw Conflict::because('method_named', method: $definition->name);
            }
            $method = TestMethod::query()->create([
                'code' => $code ?? $this->freeCode($definition->code),
                'name' => $definition->name,
                'analyte' => $definition->analyte,
                'workplace' => 'bench',
                'school' => null,
                'bands' => self::bands($definition),
                'uncertainty' => null,
                'lot' => $lot,
            ]);
            $this->write($method, 1, $definition, $why, $author);

            return $method;
        });
    }

    /**
     * @throws Conflict when another revision came first
     */
    public function revise(
        TestMethod $method,
        int $follows,
        MethodDefinition $definition,
        string $why,
        User $author,
    ): TestMethod {
        return AllOrNothing::of(function () use ($method, $follows, $definition, $why, $author): TestMethod {
            $current = MethodVersion::query()->where('method_id', $method->id)->orderByDesc('version')->firstOrFail();
            if ($current->version !== $follows) {
                throw Conflict::because('method_revised', version: $current->version);
            }
            if (! $definition->measuresLike($current->parsed())) {
                throw Refused::because('another_test');
            }
            if (TestMethod::query()->where('name', $definition->name)->whereKeyNot($method->id)->exists()) {
                throw Conflict::because('method_named', method: $definition->name);
            }
            $this->write($method, $current->version + 1, $definition, $why, $author);
            $method->update(['name' => $definition->name, 'bands' => self::bands($definition)]);

            return $method;
        });
    }

    private function write(
        TestMethod $method,
        int $version,
        MethodDefinition $definition,
        string $why,
        User $author,
    ): void {
        $kept = array_diff_key($definition->toArray(), ['source' => 0]);
        MethodVersion::query()->create([
            'method_id' => $method->id,
            'created_by' => $author->id,
            'version' => $version,
            'definition' => $kept + ($definition->source === '' ? [] : ['source' => $definition->source]),
            'why' => $why,
        ]);
    }

    private function freeCode(string $wanted): string
    {
        $taken = TestMethod::query()
            ->where('code', 'like', "{$wanted}%")
            ->pluck('code')
            ->all();
        for ($i = 1, $code = $wanted; in_array($code, $taken, true); $i++) {
            $code = "{$wanted}-".($i + 1);
        }

        return $code;
    }

    /** @return list<Band>|null */
    private static function bands(MethodDefinition $definition): ?array
    {
        return $definition->scale->bands?->bands;
    }
}
