<?php

declare(strict_types=1);

namespace Tests\Feature\Session;

use Illuminate\Support\Facades\Auth;
use Tests\Feature\ApiTestCase;

final class SessionTest extends ApiTestCase
{
    public function test_a_person_signs_in_and_out(): void
    {
        Auth::logout();

        $this->api('GET', '/session')->assertStatus(401);
        $this->api('POST', '/session', ['email' => 'fen-t@team.example', 'password' => 'peat'])
            ->assertOk()
            ->assertJson(['name' => 'Ada Fenwright', 'may_sign' => false, 'team' => 'Fen crew']);
        $this->api('GET', '/session')->assertOk();
        $this->api('DELETE', '/session')->assertNoContent();
        $this->api('GET', '/session')->assertStatus(401);
    }

    public function test_a_wrong_password_is_refused_without_saying_which_was_wrong(): void
    {
        Auth::logout();
        $wrong = $this->api('POST', '/session', ['email' => 'fen-t@team.example', 'password' => 'clay'])
            ->assertStatus(422)
            ->json('message');
        $unknown = $this->api('POST', '/session', ['email' => 'nobody@team.example', 'password' => 'clay'])
            ->assertStatus(422)
            ->json('message');

        self::assertSame($wrong, $unknown);
    }

    public function test_guessing_is_slowed_down(): void
    {
        Auth::logout();
        for ($i = 0; $i < 10; $i++) {
            $this->api('POST', '/session', ['email' => 'fen-t@team.example', 'password' => "guess {$i}"])->assertStatus(
                422,
            );
        }

        $this->api('POST', '/session', ['email' => 'fen-t@team.example', 'password' => 'peat'])->assertStatus(429);
    }

    public function test_the_demo_accounts_show_only_in_a_demo(): void
    {
        $this->api('GET', '/welcome')
            ->assertOk()
            ->assertExactJson(['demo' => false, 'accounts' => []]);
        config(['app.demo' => true]);
        $this->api('GET', '/welcome')
            ->assertOk()
            ->assertJson(['demo' => true]);
    }

    public function test_everything_but_the_welcome_and_the_health_asks_who_you_are(): void
    {
        Auth::logout();
        foreach (\Illuminate\Support\Facades\Route::getRoutes()->getRoutes() as $route) {
            if (
                ! str_starts_with($route->uri(), 'api/') ||
                in_array(
                    "{$route->methods()[0]} {$route->uri()}",
                    ['GET api/welcome', 'GET api/health', 'POST api/session', ...TeamsTest::BY_ADDRESS],
                    true,
                )
            ) {
                continue;
            }
            $url = '/'.preg_replace(['/{name}/', '/{\w+}/'], [str_repeat('a', 32), '1'], $route->uri());
            $this->json($route->methods()[0], $url)->assertStatus(401);
        }
    }

    public function test_pages_come_with_a_strict_content_policy(): void
    {
        $this->withoutVite();
        $policy = (string) $this->get('/evidence')->assertOk()->headers->get('Content-Security-Policy');

        self::assertStringContainsString("default-src 'none'", $policy);
        self::assertStringContainsString("script-src 'self';", $policy);
        self::assertStringContainsString("frame-ancestors 'none'", $policy);
        $this->get('/missing.png')->assertNotFound();
    }
}
