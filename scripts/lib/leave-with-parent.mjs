// Loaded before the web server: when the supervisor is gone, however it went, this process goes too.
// Processes that the web server starts itself inherit this module and must not mind their own parent.
if (process.env.MOCHILA_SUPERVISOR === String(process.ppid)) {
  process.on('disconnect', () => process.exit(0));
  // Listening opens the channel, which must not keep a server alive that has closed.
  process.channel?.unref();
}
