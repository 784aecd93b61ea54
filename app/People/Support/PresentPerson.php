<?php

declare(strict_types=1);

namespace App\People\Support;

use App\People\Data\PersonData;
use App\People\Data\PreferencesData;
use App\People\Models\User;

/** People as the Data classes that go over the wire. */
final readonly class PresentPerson
{
    public function person(User $user): PersonData
    {
        return new PersonData($user->id, $user->name, $user->role->value, $user->pin !== null);
    }

    public function preferences(?User $user): PreferencesData
    {
        $kept = $user === null ? [] : $user->preferences;

        return new PreferencesData(
            $kept['units'] ?? 'metric',
            $kept['theme'] ?? 'auto',
            (bool) ($kept['glove'] ?? false),
        );
    }
}
