<?php

declare(strict_types=1);

namespace App\Actions\Practice;

use App\Actions\Teams\FoundTeam;
use App\Database\AllOrNothing;
use App\Exceptions\Conflict;
use App\Models\PracticeClass;
use App\Models\PracticeField;
use App\Models\User;
use HonestCore\Bench\MethodDefinition;
use HonestCore\Bench\MethodLibrary;
use HonestCore\Practice\Lesson;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Str;

/**
 * Makes a practice ground for somebody: a team of its own with one account that does and signs everything. Signing asks for the
 * password of whoever practises.
 */
final class BeginPractice
{
    private const MOST = 60;

    /** The steps that ship with their times made short: seconds at least, aimed at, and at most. */
    private const SHORT = ['shake' => [2, 3, 30], 'settle' => [3, 5, 90]];

    public function __construct(private readonly FoundTeam $found, private readonly PrepareGround $prepare) {}

    public function __invoke(
        User $home,
        string $level,
        int $seed,
        ?Lesson $lesson = null,
        ?PracticeClass $class = null,
        int $pairs = 0,
    ): PracticeField {
        if (PracticeField::here() !== null) {
            throw Conflict::because('practice_in_practice');
        }
        if (PracticeField::query()->where('home_id', $home->id)->count() >= self::MOST) {
            throw Conflict::because('practice_enough', most: self::MOST);
        }
        try {
            return AllOrNothing::of(function () use ($home, $level, $seed, $lesson, $class, $pairs): PracticeField {
                $twin = ($this->found)(
                    'Practice: '.($lesson->title ?? "ground {$seed}, {$level}"),
                    [
                        'name' => $home->name,
                        'email' => 'practice-'.Str::lower(Str::random(20)).'@practice.invalid',
                        'password' => $home->password,
                        'role' => User::REVIEWER,
                    ],
                    'Practice laboratory',
                    'Practice capsule kit, pH',
                    PracticeField::LOT,
                    definition: self::kit(),
                );
                $twin->update(['administers' => null]);
                $field = PracticeField::query()->create([
                    'team_id' => $twin->team_id,
                    'user_id' => $twin->id,
                    'home_id' => $home->id,
                    'class_id' => $class?->id,
                    'level' => $level,
                    'seed' => $seed,
                    'lesson' => $lesson?->code,
                ]);
                ($this->prepare)($field, $twin, $home, $pairs);

                return $field->load('user', 'home');
            });
        } finally {
            Auth::setUser($home);
        }
    }

    private static function kit(): MethodDefinition
    {
        $kit = MethodLibrary::get('capsule-ph')->toArray();
        $steps = [];
        foreach ((array) ($kit['steps'] ?? []) as $step) {
            $step = (array) $step;
            $short = self::SHORT[is_string($step['code'] ?? null) ? $step['code'] : ''] ?? null;
            $steps[] = $short === null ? $step : array_combine(['least_s', 'aim_s', 'most_s'], $short) + $step;
        }

        return MethodDefinition::of(['steps' => $steps, 'minutes' => 1] + $kit);
    }
}
