<?php

declare(strict_types=1);

namespace HonestCore\Error;

/** An option or argument cannot be used as given. */
final class BadOption extends Refusal
{
    /** @pure */
    public function errorCode(): string
    {
        return 'bad_option';
    }

    public function forPeople(): string
    {
        $words = (string) preg_replace('/^(--[a-z0-9-]+(, )?)+: /', '', $this->getMessage());

        return ucfirst((string) preg_replace('/(?<![\w-])--([a-z])/', '$1', $words));
    }
}
