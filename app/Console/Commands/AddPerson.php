<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Actions\Teams\FoundTeam;
use App\Models\Team;
use App\Models\User;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\Validator;
use Illuminate\Support\Str;

final class AddPerson extends Command
{
    protected $signature = 'person:add
        {team : name of the team; a new name founds a team}
        {name : name of the person}
        {email : the address to sign in with}
        {role : technician or reviewer}
        {--lab=The lab : name of the lab, for a new team}
        {--kit=Capsule kit, pH : name of the kit, for a new team}
        {--lot=not recorded : lot of the kit, for a new team}';

    protected $description = 'Add a person, and found their team when it is new; prints the password once';

    public function handle(FoundTeam $found): int
    {
        $person = ['name' => $this->text('name'), 'email' => $this->text('email'), 'role' => $this->text('role')];
        $check = Validator::make($person, [
            'name' => ['required', 'string', 'min:2'],
            'email' => ['required', 'email', 'unique:users'],
            'role' => ['required', 'in:technician,reviewer'],
        ]);
        if ($check->fails()) {
            foreach ($check->errors()->all() as $message) {
                $this->error($message);
            }

            return self::INVALID;
        }
        $password = Str::password(16, symbols: false);
        $person['password'] = $password;
        $team = Team::query()->where('name', $this->text('team'))->first();
        $team === null
            ? $found($this->text('team'), $person, $this->text('lab'), $this->text('kit'), $this->text('lot'))
            : User::query()->create([...$person, 'team_id' => $team->id]);
        $this->info("{$person['email']} may sign in with: {$password}");

        return self::SUCCESS;
    }

    private function text(string $name): string
    {
        $value = $this->hasArgument($name) ? $this->argument($name) : $this->option($name);

        return is_string($value) ? $value : '';
    }
}
