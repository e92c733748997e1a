<?php

declare(strict_types=1);

namespace App\Providers;

use App\Database\ImmediateSQLiteConnection;
use Illuminate\Cache\RateLimiting\Limit;
use Illuminate\Database\Connection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\ServiceProvider;
use PDO;

final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        /** @param PDO|\Closure(): PDO $pdo */
        Connection::resolverFor('sqlite', static fn (mixed $pdo, string $database, string $prefix, array $config): Connection => new ImmediateSQLiteConnection($pdo, $database, $prefix, $config));
    }

    public function boot(): void
    {
        Model::shouldBeStrict();
        JsonResource::withoutWrapping();
        RateLimiter::for('sign-in', static fn (Request $request): Limit => Limit::perMinute(10)->by($request->string('email')->lower().'|'.$request->ip()));
        RateLimiter::for('api', static fn (Request $request): Limit => Limit::perMinute(1200)->by((string) ($request->user()?->getAuthIdentifier() ?? $request->ip())));
    }
}
