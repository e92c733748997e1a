<?php

declare(strict_types=1);

namespace Tests\Feature\Console;

use App\Models\JudgingPolicy;
use App\Models\TestMethod;
use App\Models\User;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Foundation\Testing\TestCase;
use Illuminate\Support\Facades\Artisan;

final class PeopleTest extends TestCase
{
    use RefreshDatabase;

    public $mockConsoleOutput = false;

    public function test_a_new_team_is_founded_and_joined(): void
    {
        self::assertSame(0, $this->add('Fen crew', 'Ada Fenwright', 'ada@team.example', 'technician'));
        preg_match('/with: (\S+)/', Artisan::output(), $found);
        self::assertSame(0, $this->add('Fen crew', 'Bram Heather', 'bram@team.example', 'reviewer'));

        $this->postJson('/api/session', ['email' => 'ada@team.example', 'password' => $found[1] ?? ''])
            ->assertOk()
            ->assertJson(['team' => 'Fen crew']);
        $this->actingAs(User::query()->where('email', 'bram@team.example')->firstOrFail());
        self::assertSame([4, 7], [TestMethod::query()->count(), JudgingPolicy::query()->count()]);
    }

    public function test_bad_input_is_refused(): void
    {
        self::assertSame(2, $this->add('Fen crew', 'A', 'nowhere', 'king'));
        self::assertSame(0, User::query()->count());
    }

    private function add(string $team, string $name, string $email, string $role): int
    {
        return Artisan::call('person:add', ['team' => $team, 'name' => $name, 'email' => $email, 'role' => $role]);
    }
}
