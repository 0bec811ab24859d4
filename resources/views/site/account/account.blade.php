@extends('site.account.frame')
@section('title', 'Your account')
@section('form')
@if ($done !== null)
        <p role="status">{{ $done }}</p>
@endif
        <p>You are signed in as {{ $account->email }}.@if ($account->roles !== []) You have the {{ count($account->roles) === 1 ? 'role' : 'roles' }} {{ implode(', ', $account->roles) }}.@endif</p>
        <form class="account" method="post" action="/_account">
            <h2>Details</h2>
            <input type="hidden" name="act" value="name">
            <p><label for="name">Your name</label><input id="name" name="name" autocomplete="name" maxlength="100" required value="{{ $account->name }}"></p>
            <p><button>Save the name</button></p>
        </form>
        <form class="account" method="post" action="/_account">
            <h2>Another password</h2>
            <p>You are signed out everywhere, and sign in with the new one.</p>
            <input type="hidden" name="act" value="password">
            <p><label for="password">Password now</label><input id="password" name="password" type="password" autocomplete="current-password" required></p>
            <p><label for="new">New password</label><input id="new" name="new" type="password" autocomplete="new-password" required></p>
            <p><button>Change the password</button></p>
        </form>
        <form class="account" method="post" action="/_account">
            <h2>Delete the account</h2>
            <p>Everything that is kept of you goes with it. This cannot be undone.</p>
            <input type="hidden" name="act" value="delete">
            <p><label for="password-again">Password now</label><input id="password-again" name="password" type="password" autocomplete="current-password" required></p>
            <p><button>Delete my account</button></p>
        </form>
@endsection
