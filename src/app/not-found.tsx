export default function NotFound() {
  return (
    <main style={{ maxWidth: 560, margin: '80px auto', padding: '0 20px' }}>
      <h1>There is no such page</h1>
      <p style={{ margin: '8px 0 16px' }}>The address may be mistyped. Your cards are not affected.</p>
      <a href="/">To the job cards</a>
    </main>
  );
}
