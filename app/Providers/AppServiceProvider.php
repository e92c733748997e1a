<?php

declare(strict_types=1);

namespace App\Providers;

use App\Actions\Bench\HttpProbeService;
use App\Actions\Bench\ProbeService;
use App\Actions\Custody\FollowsTrails;
use App\Actions\Labs\FollowPortions;
use App\Actions\Labs\HttpLabSimulator;
use App\Actions\Labs\LabConnection;
use App\Actions\Labs\LabInterface;
use App\Actions\Labs\LabSimulator;
use App\Actions\Practice\LabOfTeam;
use App\Actions\Practice\SimulatorOfTeam;
use App\Database\ImmediateSQLiteConnection;
use App\Database\Statistics;
use App\Database\WholeMigrator;
use App\Http\Session\WholeFileHandler;
use App\Models as M;
use App\Models\User;
use App\Policies\SignedRecordPolicy;
use App\Policies\TeamRecordPolicy;
use Illuminate\Cache\RateLimiting\Limit;
use Illuminate\Contracts\Events\Dispatcher;
use Illuminate\Contracts\Foundation\Application;
use Illuminate\Database\Connection;
use Illuminate\Database\ConnectionResolverInterface;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Events\MigrationsEnded;
use Illuminate\Database\Migrations\Migrator;
use Illuminate\Filesystem\Filesystem;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\Facades\Session;
use Illuminate\Support\ServiceProvider;
use Laravel\Sanctum\Sanctum;
use PDO;

final class AppServiceProvider extends ServiceProvider
{
    private const SHARED_BY_THE_TEAM = [
        M\Site::class,
        M\Area::class,
        M\Landmark::class,
        M\Plan::class,
        M\RecordChange::class,
        M\Sample::class,
        M\TestMethod::class,
        M\Reading::class,
        M\LabReport::class,
        M\SchoolProfile::class,
        M\Underlay::class,
        M\Photo::class,
        M\ReportPaper::class,
        M\Portion::class,
        M\Lab::class,
        M\Consignment::class,
        M\CheckSoil::class,
        M\ReportQuestion::class,
        M\LabResult::class,
        M\Run::class,
        M\ReagentLot::class,
        M\PenCalibration::class,
        M\VisionRecord::class,
        M\PracticeRound::class,
        M\Transect::class,
        M\GroundEvent::class,
        M\RecordSet::class,
        M\ProgramShare::class,
        M\BagPhoto::class,
        M\Control::class,
        M\CalendarAddress::class,
        M\Invitation::class,
    ];

    private const SIGNED = [M\JudgingPolicy::class, M\SignedVerdict::class, M\SignedProgram::class, M\LocalFactorInUse::class];

    public function register(): void
    {
        $this->lab();
        $this->probeService();
        $this->app->extend('migrator', static fn (Migrator $usual, Application $app): WholeMigrator => new WholeMigrator(
            $usual->getRepository(),
            $app->make(ConnectionResolverInterface::class),
            $usual->getFilesystem(),
            $app->make(Dispatcher::class),
        ));
        Connection::resolverFor(
            'sqlite',
            static fn (
                PDO|\Closure $pdo,
                string $database,
                string $prefix,
                array $config,
            ): Connection => new ImmediateSQLiteConnection($pdo, $database, $prefix, $config),
        );
    }

    /** The lab's interface is where whoever runs the application says; without an address there is none. */
    private function lab(): void
    {
        $this->app->bind(LabConnection::class, static function (): LabConnection {
            $address = config('app.lab_service');

            return new LabConnection(is_string($address) && $address !== '' ? $address : null);
        });
        $this->app->bind(LabInterface::class, LabOfTeam::class);
        $this->app->bind(
            LabSimulator::class,
            static fn (Application $app): SimulatorOfTeam => new SimulatorOfTeam(new HttpLabSimulator(
                $app->make(LabConnection::class),
                (bool) config('app.lab_service_simulated'),
            )),
        );
        $this->app->bind(FollowsTrails::class, FollowPortions::class);
    }

    private function probeService(): void
    {
        $this->app->bind(ProbeService::class, static function (): HttpProbeService {
            $address = config('app.probe_service');

            return new HttpProbeService(
                is_string($address) && $address !== '' ? $address : null,
                (bool) config('app.probe_service_simulated'),
            );
        });
    }

    public function boot(): void
    {
        Event::listen(MigrationsEnded::class, static fn () => Statistics::anew());
        Model::shouldBeStrict();
        Sanctum::usePersonalAccessTokenModel(M\ScriptToken::class);
        JsonResource::withoutWrapping();
        Session::extend(
            'file',
            static fn (): WholeFileHandler => new WholeFileHandler(
                new Filesystem(),
                config()->string('session.files'),
                config()->integer('session.lifetime'),
            ),
        );
        foreach (self::SHARED_BY_THE_TEAM as $model) {
            Gate::policy($model, TeamRecordPolicy::class);
        }
        foreach (self::SIGNED as $model) {
            Gate::policy($model, SignedRecordPolicy::class);
        }
        Gate::define('administer', static fn (User $user): bool => $user->mayAdminister());
        Gate::define('keep', static fn (User $user, User $person): bool => $user->mayAdminister() && $person->team_id === $user->team_id);
        // Of one account from one place, of one account from everywhere, and of one place over many accounts.
        RateLimiter::for(
            'practice',
            static fn (Request $request): Limit => Limit::perMinute(12)->by((string) User::signedIn()?->id),
        );
        RateLimiter::for(
            'sign-in',
            static function (Request $request): array {
                $email = $request->input('email');
                $account = is_string($email) ? mb_strtolower($email) : '';

                return [
                    Limit::perMinute(10)->by("one {$account}|{$request->ip()}"),
                    Limit::perMinute(30)->by("account {$account}"),
                    Limit::perMinute(60)->by("place {$request->ip()}"),
                ];
            },
        );
        RateLimiter::for(
            'account',
            static fn (Request $request): Limit => Limit::perMinute(10)->by((string) User::signedIn()?->id),
        );
        RateLimiter::for(
            'health',
            static fn (Request $request): Limit => Limit::perMinute(30)->by((string) $request->ip()),
        );
        RateLimiter::for(
            'reckoner',
            static fn (Request $request): Limit => Limit::perMinute(240)->by((string) User::signedIn()?->id),
        );
        RateLimiter::for(
            'plates',
            static fn (Request $request): Limit => Limit::perMinute(20)->by((string) User::signedIn()?->id),
        );
        RateLimiter::for(
            'api',
            static fn (Request $request): Limit => Limit::perMinute(1200)->by(
                (string) (User::signedIn()->id ?? $request->ip()),
            ),
        );
    }
}
