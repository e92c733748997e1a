<?php

declare(strict_types=1);

namespace Tests\Bench;

use App\Models\User;
use Illuminate\Contracts\Http\Kernel;
use Illuminate\Foundation\Application;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** How many queries each route asks, counted in the application itself. */
final readonly class QueryCounts
{
    private function __construct(private Kernel $kernel) {}

    /** On the data of a file, as somebody of a team. */
    public static function on(string $file, string $mail): self
    {
        foreach (['DB_DATABASE' => $file, 'CACHE_STORE' => 'array', 'SESSION_DRIVER' => 'array'] as $name => $value) {
            putenv("{$name}={$value}");
            $_ENV[$name] = $_SERVER[$name] = $value;
        }
        $app = require __DIR__.'/../../bootstrap/app.php';
        if (! $app instanceof Application) {
            throw new \LogicException('The application did not start.');
        }
        $kernel = $app->make(Kernel::class);
        $kernel->bootstrap();
        $app->instance('request', Request::create('/api/ping'));
        Auth::setUser(User::query()->where('email', $mail)->firstOrFail());

        return new self($kernel);
    }

    public function of(string $address): int
    {
        DB::flushQueryLog();
        DB::enableQueryLog();
        $answer = $this->kernel->handle(Request::create($address, 'GET', server: ['HTTP_ACCEPT' => 'application/json']));
        if ($answer instanceof StreamedResponse) {
            ob_start();
            $answer->sendContent();
            ob_end_clean();
        }
        DB::disableQueryLog();

        return count(DB::getQueryLog());
    }
}
