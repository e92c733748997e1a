<?php

declare(strict_types=1);

namespace App\Actions\Practice;

use App\Models\PracticeField;
use App\Models\User;
use Illuminate\Support\Facades\Auth;

/** Looks at a practice ground as its own account sees it, so that what scopes records of a team scopes these too. */
final class AsTwin
{
    /**
     * @template T
     *
     * @param \Closure(): T $look
     * @return T
     */
    public static function of(PracticeField $field, \Closure $look): mixed
    {
        $before = User::signedIn();
        Auth::setUser($field->loadMissing('user')->user);
        try {
            return $look();
        } finally {
            $before === null ? Auth::forgetGuards() : Auth::setUser($before);
        }
    }
}
