<?php

declare(strict_types=1);

namespace App\Actions\People;

use App\Database\AllOrNothing;
use App\Models\SecondFactor;
use App\Models\User;
use Illuminate\Support\Str;

/** A second factor of a person: begun, confirmed by a code, asked for at each sign-in, taken away. */
final class GuardWithCode
{
    private const RECOVERY_CODES = 8;

    public function __construct(private readonly NoteEvent $note) {}

    /** @return array{secret: string, uri: string} shown this once; it guards nothing until a code has confirmed it */
    public function begin(User $user): array
    {
        if ($this->isOn($user)) {
            $this->end($user, $user);
        }
        $secret = TimeCode::secret();
        SecondFactor::keep($user, ['secret' => $secret, 'confirmed_at' => null, 'last_step' => 0, 'recovery' => []]);

        return ['secret' => $secret, 'uri' => TimeCode::uri($secret, $user->email)];
    }

    /** @return list<string>|null codes for the day on which the phone is lost, shown this once; null where the code is wrong */
    public function confirm(User $user, string $code): ?array
    {
        $factor = SecondFactor::of($user);
        $step = $factor === null ? null : TimeCode::step($factor->secret, $code, now()->getTimestamp(), $factor->last_step);
        if ($factor === null || $step === null) {
            return null;
        }
        $codes = array_map(
            static fn (): string => implode('-', str_split(strtolower(Str::random(12)), 4)),
            range(1, self::RECOVERY_CODES),
        );
        $factor->update([
            'confirmed_at' => now(),
            'last_step' => $step,
            'recovery' => array_map(static fn (string $one): string => hash('sha256', $one), $codes),
        ]);
        ($this->note)($user, 'second_factor', 'set up');

        return $codes;
    }

    public function isOn(User $user): bool
    {
        return SecondFactor::of($user)?->confirmed_at !== null;
    }

    /** Takes a code of the authenticator, or one of those for its loss; none is taken twice. */
    public function takes(User $user, string $code): bool
    {
        return AllOrNothing::of(static function () use ($user, $code): bool {
            $factor = SecondFactor::of($user);
            if ($factor?->confirmed_at === null) {
                return true;
            }
            $step = TimeCode::step($factor->secret, $code, now()->getTimestamp(), $factor->last_step);
            if ($step !== null) {
                return $factor->update(['last_step' => $step]);
            }
            $spent = hash('sha256', strtolower(trim($code)));
            $left = array_values(array_diff($factor->recovery, [$spent]));

            return count($left) < count($factor->recovery) && $factor->update(['recovery' => $left]);
        });
    }

    public function end(User $user, User $by): void
    {
        SecondFactor::of($user)?->delete();
        ($this->note)($by, 'second_factor', $user->is($by) ? 'taken away' : "taken away from {$user->name}");
    }
}
