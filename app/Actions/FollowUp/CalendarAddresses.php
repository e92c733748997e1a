<?php

declare(strict_types=1);

namespace App\Actions\FollowUp;

use App\Exceptions\Conflict;
use App\Models\CalendarAddress;
use App\Models\User;
use App\Sharing\SecretAddress;

/** Addresses that calendars subscribe to: opened for somebody, read until they are withdrawn. */
final class CalendarAddresses
{
    /** @return array{CalendarAddress, string} the address and its token, which is shown this once and not kept */
    public function open(User $author, string $name): array
    {
        $token = SecretAddress::token();

        return [
            CalendarAddress::record(['created_by' => $author->id, 'name' => $name, 'token_hash' => SecretAddress::hash($token)])
                ->refresh()
                ->load('author'),
            $token,
        ];
    }

    public function withdraw(CalendarAddress $address): CalendarAddress
    {
        if ($address->withdrawn_at !== null) {
            throw Conflict::because('address_withdrawn');
        }
        $address->update(['withdrawn_at' => now()]);

        return $address->load('author');
    }
}
