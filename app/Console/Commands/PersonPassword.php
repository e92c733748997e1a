<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\User;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\Validator;
use Illuminate\Support\Str;

final class PersonPassword extends Command
{
    protected $signature = 'person:password
        {email : the address of the person}
        {--address= : another address to sign in with from now on}';

    protected $description = 'Give a person a new password; prints it once';

    public function handle(): int
    {
        $user = User::query()->where('email', $this->argument('email'))->first();
        $error = $this->getOutput()->getErrorStyle();
        if ($user === null) {
            $error->writeln('email: nobody has that address.');

            return self::INVALID;
        }
        $address = $this->option('address');
        $check = Validator::make(['email' => $address], ['email' => ['nullable', 'email', 'unique:users']]);
        if ($check->fails()) {
            $error->writeln(implode("\n", $check->errors()->all()));

            return self::INVALID;
        }
        $password = Str::password(16, symbols: false);
        $user->update([
            'password' => $password,
            'remember_token' => null,
            ...is_string($address) && $address !== '' ? ['email' => $address] : [],
        ]);
        $this->info("{$user->email} may sign in with: {$password}");

        return self::SUCCESS;
    }
}
