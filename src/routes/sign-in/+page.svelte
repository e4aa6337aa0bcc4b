<script lang="ts">
	import Logo from '$lib/shell/Logo.svelte';
	let { data, form } = $props();
	/** Kept through a wrong try. */
	const way = $derived(`&to=${encodeURIComponent(data.to)}`);
</script>

<svelte:head><title>Sign in · Kite Pen</title></svelte:head>
<header class="flex h-[46px] items-center gap-2 bg-band px-5 text-white">
	<Logo /><span class="read text-head font-medium">Kite Pen</span>
</header>
<main
	class="mx-auto grid max-w-page gap-14 px-6 pt-16 {data.demo.length
		? 'md:grid-cols-[340px_1fr]'
		: 'max-w-[360px]'}"
>
	<form method="post" action="?/password{way}" class="flex flex-col gap-4">
		<h1>Sign in</h1>
		{#if data.department}<p class="sub -mt-3">{data.department}</p>{/if}
		<input type="hidden" name="to" value={data.to} />
		<div>
			<label class="label" for="login">Name</label><input
				class="box"
				id="login"
				name="login"
				autocomplete="username"
				value={form?.login ?? ''}
				aria-invalid={form?.error ? 'true' : undefined}
			/>
		</div>
		<div>
			<label class="label" for="password">Password</label><input
				class="box"
				id="password"
				name="password"
				type="password"
				autocomplete="current-password"
			/>
		</div>
		{#if form?.error}<p class="fault" role="alert">{form.error}</p>{/if}
		<div><button class="btn go">Sign in</button></div>
	</form>
	{#if data.demo.length}
		<section>
			<div class="ruled">
				<h2>Demo people</h2>
				<span class="sub">one click, no password</span>
			</div>
			<ul>
				{#each data.demo as p (p.login)}
					<li class="row">
						<form method="post" action="?/demo">
							<input type="hidden" name="login" value={p.login} /><input
								type="hidden"
								name="to"
								value={data.to}
							/>
							<button class="flex h-9 w-full items-center gap-3 text-left hover:bg-white"
								><span class="w-7 text-tiny font-semibold text-ink-3">{p.initials}</span><span
									class="w-44 font-semibold">{p.name}</span
								><span class="sub">{p.role}</span></button
							>
						</form>
					</li>
				{/each}
			</ul>
		</section>
	{/if}
</main>
